<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\RestPlace;

/** What a person ticked for one statement line that is a customer's receipt. */
final readonly class ReceiptRequest
{
    /**
     * @param array<int, ?Money> $takes by item id, in the order of the list; null: all that is open
     * @param ?Money $charges that a bank on the way deducted, in the line's currency
     * @param ?RestPlace $rest where what is left over goes
     * @param ?Money $worth what the receipt is worth in the currency of the invoices, where that is not the line's own; nil: not known yet
     * @param string $depositTax rate of the tax that is due on a deposit when it is paid, percent; blank: none
     */
    public function __construct(
        public int $lineId,
        public int $customerId,
        public array $takes = [],
        public Reductions $less = new Reductions,
        public ?Money $charges = null,
        public ?RestPlace $rest = RestPlace::Unapplied,
        public ?Money $worth = null,
        public string $depositTax = '',
    ) {}
}
