<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** How a proposal was found, in the order in which the ways are tried (R6). */
enum Way: string
{
    case Quoted = 'quoted';
    case QuotedShort = 'quoted_short';
    case Exact = 'exact';
    case ExactNet = 'exact_net';
    case AllDue = 'all_due';
    case WholeBalance = 'whole_balance';
    case WithinTolerance = 'within_tolerance';
    case Combination = 'combination';
    case ByOrder = 'by_order';
    case None = 'none';
}
