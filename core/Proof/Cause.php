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
    case NotNeeded = 'correction_not_needed';

    public function words(): string
    {
        return match ($this) {
            self::OpeningDifference => 'Opening balance differs',
            self::DuplicateInLedger => 'Duplicate in ledger',
            self::DuplicateInSubledger => 'Duplicate in subledger',
            self::WrongAccount => 'Posted to another account',
            self::CutOff => 'Cut-off',
            self::SignReversed => 'Sign reversed',
            self::AmountTransposed => 'Digits transposed',
            self::AmountShifted => 'Slide (decimal shifted)',
            self::AmountDiffers => 'Amount differs',
            self::NotInLedger => 'Not in ledger',
            self::NotInSubledger => 'Not in subledger',
            self::NotNeeded => 'This correction is no longer needed',
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
            self::NotNeeded => 'whoever posted it here: reverse it, the source is mended',
        };
    }
}
