<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;

/** What comes in of a debt that was written off. */
final readonly class Recovery
{
    /**
     * @param string $document the debt
     * @param string $writeOff the document that wrote it off
     * @param Money $whole what was written off, in its currency
     * @param Money $base the same in base currency
     * @param Money $tax output tax that came back with it, base currency
     * @param AccountRole $bore the account that bore it: impairment loss, or residues written off
     * @param Money $left what of it was not recovered yet
     * @param Money $amount what is recovered now
     */
    public function __construct(
        public string $document,
        public string $writeOff,
        private Money $whole,
        private Money $base,
        private Money $tax,
        public AccountRole $bore,
        public Money $left,
        public Money $amount,
    ) {}

    /** @return array{Money, Money} base and the tax within it, both in proportion; the last part takes what the others left */
    public function worth(): array
    {
        $before = $this->whole->minus($this->left);
        $upTo = $before->plus($this->amount);
        $of = fn (Money $sum): Money => $sum->share($upTo, $this->whole)->minus($sum->share($before, $this->whole));

        return [$of($this->base), $of($this->tax)];
    }
}
