<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

/** Why a posting on a bank account may have no movement. */
enum Likely: string
{
    case Twice = 'twice';
    case InTransit = 'in_transit';
    case WrongAccount = 'wrong_account';
    case Unknown = 'unknown';

    public function words(): string
    {
        return match ($this) {
            self::Twice => 'posted twice: another posting of the amount is confirmed',
            self::InTransit => 'in transit: the last days before the statement ends',
            self::WrongAccount => 'wrong account: another bank account has such a movement',
            self::Unknown => 'nothing explains it yet',
        };
    }
}
