<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;

/** An unapplied credit and the items that use it up whole. */
final readonly class ProposedMatch
{
    /**
     * @param list<OpenItem> $settles in order of age the last of them may be settled in part
     * @param bool $certain quoted or of the same amount, the only such; else it is for a person to choose
     */
    public function __construct(
        public Customer $customer,
        public OpenItem $credit,
        public array $settles,
        public Way $how,
        public bool $certain,
    ) {}

    /** Whether the last item stays open with a part. */
    public function leavesAPart(): bool
    {
        $items = Money::sum(
            array_map(static fn (OpenItem $item): Money => $item->signed($item->takeable), $this->settles),
            $this->credit->takeable->currency,
        );

        return $items->isMoreThan($this->credit->takeable);
    }
}
