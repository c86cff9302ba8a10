<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** The two sides that a proof compares. */
enum Book: string
{
    case Ledger = 'ledger';
    case Subledger = 'subledger';
}
