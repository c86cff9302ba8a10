<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

/** The closing rules that are executed over many items at once. */
enum RunKind: string
{
    case MatchUnapplied = 'match_unapplied';
    case Contra = 'contra';
    case Residues = 'residues';
    case CreditBalances = 'credit_balances';

    public function words(): string
    {
        return match ($this) {
            self::MatchUnapplied => 'match what is proposed',
            self::Contra => 'set off against payables',
            self::Residues => 'write off residues',
            self::CreditBalances => 'present credit balances',
        };
    }

    /** As it stands in addresses. */
    public function path(): string
    {
        return str_replace('_', '-', $this->value);
    }

    /** Whether its voucher is posted together with a mirror on the day after: they go back only both, each on its own day (R10). */
    public function hasMirror(): bool
    {
        return $this === self::CreditBalances;
    }
}
