<?php

declare(strict_types=1);

namespace App\Values;

/** What mends a cause of the proof. */
enum CorrectionWay: string
{
    case Voucher = 'voucher';
    case VoucherForEach = 'voucher_for_each';
    case Accrual = 'accrual';
    case Customer = 'customer';

    /** What it does, in words that go on with what it is about. */
    public function words(): string
    {
        return match ($this) {
            self::Voucher => 'correct the ledger for',
            self::VoucherForEach => 'correct the ledger for each',
            self::Accrual => 'accrue',
            self::Customer => 'enter on the customer\'s side',
        };
    }
}
