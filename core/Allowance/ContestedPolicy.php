<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

/** Whether the matrix of the allowance takes what customers dispute (R14). */
enum ContestedPolicy: string
{
    case In = 'in';
    case Out = 'out';
}
