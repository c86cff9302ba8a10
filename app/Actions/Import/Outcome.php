<?php

declare(strict_types=1);

namespace App\Actions\Import;

/** What a row means for the books. */
enum Outcome: string
{
    case New = 'new';
    case Same = 'same';
    case Changed = 'changed';
    /** An own voucher, item or match that the accounting system took over. */
    case Confirms = 'confirms';
}
