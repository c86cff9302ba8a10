<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

/** Why an allowance moved (R14; IFRS 7.35H asks for such a table, from memory). */
enum AllowanceLine: string
{
    case Charge = 'charge';
    case Release = 'release';
    case Used = 'used';
    case Exchange = 'exchange';
    case Other = 'other';
}
