<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

/** Whether unapplied credits lessen the columns of the matrix (R14). */
enum CreditsPolicy: string
{
    case Net = 'net';
    case Out = 'out';
}
