<?php

declare(strict_types=1);

namespace App\Values;

/** What a second person can be asked to approve (R13). */
enum ApprovalKind: string
{
    case Run = 'run';
    case Irrecoverable = 'irrecoverable';
    case Correction = 'correction';
    case CreditNote = 'credit_note';
}
