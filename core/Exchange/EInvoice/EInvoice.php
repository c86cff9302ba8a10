<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\EInvoice;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** An electronic invoice or credit note in the model of EN 16931. */
final readonly class EInvoice
{
    /**
     * @param Money $gross total with tax, positive
     * @param list<EInvoiceLine> $lines with allowances and charges on the whole
     * @param ?Money $net total without tax, where it is said
     *
     * @throws Refusal when its lines do not make its total without tax
     */
    public function __construct(
        public EInvoiceHead $head,
        public Buyer $buyer,
        public Money $gross,
        public array $lines,
        ?Money $net = null,
    ) {
        $sum = Money::sum(array_map(static fn (EInvoiceLine $line): Money => $line->net, $lines), $gross->currency);
        if ($net !== null && $lines !== [] && ! $sum->equals($net)) {
            throw new Refusal(
                "Invoice {$head->number}: its lines come to {$sum->decimal()}, and it says {$net->decimal()} without tax. "
                    .'Ask for it again.',
            );
        }
    }
}
