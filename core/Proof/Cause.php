<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** Why control account and customers differ (R12). Where several tests hold, the first in this order names it. */
enum Cause: string
{
    case OpeningDifference = 'opening_difference';
    case DuplicateInLedger = 'duplicate_in_ledger';
    case DuplicateInSubledger = 'duplicate_in_subledger';
    case WrongAccount = 'wrong_account';
    case CutOff = 'cut_off';
    case SignReversed = 'sign_reversed';
    case AmountTransposed = 'amount_transposed';
    case AmountShifted = 'amount_shifted';
    case AmountDiffers = 'amount_differs';
    case NotInLedger = 'not_in_ledger';
    case NotInSubledger = 'not_in_subledger';

    public function words(): string
    {
        return match ($this) {
            self::OpeningDifference => 'Brought forward differs',
            self::DuplicateInLedger => 'Twice in the ledger',
            self::DuplicateInSubledger => 'Twice with the customer',
            self::WrongAccount => 'On another account',
            self::CutOff => 'Other period',
            self::SignReversed => 'Wrong side',
            self::AmountTransposed => 'Two digits exchanged',
            self::AmountShifted => 'Decimal point shifted',
            self::AmountDiffers => 'Amounts differ',
            self::NotInLedger => 'Document without a posting',
            self::NotInSubledger => 'Posting without a document',
        };
    }

    /** Who is likely to mend it, as common practice has it. */
    public function mendedBy(): string
    {
        return match ($this) {
            self::OpeningDifference => 'whoever took the balances over',
            self::DuplicateInLedger, self::WrongAccount, self::NotInSubledger => 'bookkeeping, who posted the entry',
            self::DuplicateInSubledger => 'whoever keeps the customers’ documents',
            self::CutOff => 'nobody: the next period brings the other side',
            self::SignReversed, self::AmountTransposed, self::AmountShifted => 'bookkeeping, who typed the entry',
            self::AmountDiffers => 'sales and bookkeeping together: one of the two figures is right',
            self::NotInLedger => 'sales, whose transfer did not reach the ledger',
        };
    }
}
