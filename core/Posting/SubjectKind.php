<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** The kinds of things that the audit trail names. */
enum SubjectKind: string
{
    case Item = 'item';
    case Settlement = 'settlement';
    case Voucher = 'voucher';
    case Run = 'run';
    case StatementLine = 'statement line';
    case Placement = 'placement';
    case Batch = 'batch';
}
