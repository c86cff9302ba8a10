<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

/** The closing rules that are executed over many items at once. */
enum RunKind: string
{
    case MatchUnapplied = 'match_unapplied';
    case CreditBalances = 'credit_balances';

    public function words(): string
    {
        return match ($this) {
            self::MatchUnapplied => 'match what is proposed',
            self::CreditBalances => 'present credit balances',
        };
    }
}
