<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

/** The closing rules that are executed over many items at once. */
enum RunKind: string
{
    case MatchUnapplied = 'match_unapplied';
    case Contra = 'contra';
    case Residues = 'residues';
    case Currency = 'currency';
    case Allowance = 'allowance';
    case CreditBalances = 'credit_balances';

    public function words(): string
    {
        return match ($this) {
            self::MatchUnapplied => 'match what is proposed',
            self::Contra => 'set off against payables',
            self::Residues => 'write off residues',
            self::Currency => 'revalue open foreign items',
            self::Allowance => 'change the allowance',
            self::CreditBalances => 'present credit balances',
        };
    }

    /** As it stands in addresses. */
    public function path(): string
    {
        return str_replace('_', '-', $this->value);
    }

    /** Whether a person may leave single items out of it, or take them along. */
    public function takesChoices(): bool
    {
        return $this === self::Contra || $this === self::Residues || $this === self::Currency;
    }

    /** Whether its voucher may be posted together with a mirror on day one of the next period. */
    public function mayHaveMirror(): bool
    {
        return $this === self::CreditBalances || $this === self::Currency;
    }
}
