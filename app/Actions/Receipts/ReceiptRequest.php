<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Settlement\RestPlace;

/** What a person ticked and typed for one line of money. */
final readonly class ReceiptRequest
{
    /**
     * @param array<int, string> $typed amount as typed, by item id, in the order of the list; blank: all that is open
     * @param list<int> $discounts items whose early payment discount is taken
     * @param list<DeductionEntry> $deductions
     * @param string $keptBack charges that a bank on the way kept back, as typed
     * @param ?RestPlace $rest where what is left over goes
     * @param string $currency of the invoices, where it is not the line's own; blank: the line's
     * @param string $amount in that currency, as typed
     * @param string $depositTax rate of the tax that is due on a deposit when it is paid, percent; blank: none
     * @param array<int, list<string>> $lines lines of an invoice that are meant, by item id
     */
    public function __construct(
        public int $lineId, public int $customerId, public array $typed = [], public array $discounts = [], public array $deductions = [], public string $keptBack = '',
        public ?RestPlace $rest = RestPlace::Unapplied, public string $currency = '', public string $amount = '', public string $depositTax = '', public array $lines = [],
    ) {}
}
