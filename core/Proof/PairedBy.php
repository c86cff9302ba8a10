<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** The test by which postings and items found each other, in the order in which the tests are tried (R12). */
enum PairedBy: string
{
    case Hand = 'hand';
    case Entry = 'entry';
    case DocumentAndAmount = 'document_and_amount';
    case DocumentSum = 'document_sum';
    case DocumentAndCustomer = 'document_and_customer';
    case Document = 'document';
    case Batch = 'batch';
    case Sum = 'sum';
    case Window = 'window';

    public function words(): string
    {
        return match ($this) {
            self::Hand => 'hand',
            self::Entry => 'entry number',
            self::DocumentAndAmount => 'document and amount',
            self::DocumentSum => 'document, sum of its lines',
            self::DocumentAndCustomer => 'document and customer',
            self::Document => 'document',
            self::Batch => 'batch',
            self::Sum => 'sum of the day and kind',
            self::Window => 'amount, within some days',
        };
    }
}
