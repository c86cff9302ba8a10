<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** A statement of one bank account, or a notification, which has no balances. */
final readonly class BankStatement
{
    /**
     * @param list<BankLine> $lines all in the account's currency
     * @param ?Money $opening null for a notification, and so is closing
     *
     * @throws Refusal when opening + entries is not closing; the three figures are named
     */
    public function __construct(
        public string $account,
        public Currency $currency,
        public string $number,
        public ?Money $opening,
        public ?Money $closing,
        public string $openingDate,
        public string $closingDate,
        public array $lines,
    ) {
        if ($opening === null || $closing === null) {
            return;
        }
        $entries = $this->entries();
        if (! $opening->plus($entries)->equals($closing)) {
            throw new Refusal("Statement {$number} of {$account} does not add up: opening {$opening->grouped()}, entries {$entries->grouped()}, closing {$closing->grouped()}. Ask the bank for it again.");
        }
    }

    public function entries(): Money
    {
        $sum = Money::zero($this->currency);
        foreach ($this->lines as $line) {
            $sum = $sum->plus($line->amount);
        }

        return $sum;
    }

    /**
     * @param ?Money $closing of the statement before
     *
     * @throws Refusal when this one does not start where that one ended
     */
    public function refuseGap(?Money $closing): void
    {
        if ($closing !== null && $this->opening !== null && ! $closing->equals($this->opening)) {
            throw new Refusal("Statement {$this->number} of {$this->account} opens at {$this->opening->grouped()}, but the one before closed at {$closing->grouped()}: {$this->opening->minus($closing)->grouped()} is between them. A statement is missing, or they are out of order.");
        }
    }
}
