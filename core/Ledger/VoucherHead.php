<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

/** What a voucher, and each of its lines, is about. */
final readonly class VoucherHead
{
    /**
     * @param string $date the day on which it takes effect
     * @param string $customer the customer's number, or blank
     */
    public function __construct(public string $date, public string $document = '', public string $customer = '') {}
}
