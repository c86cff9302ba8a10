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

    public function words(): string
    {
        return match ($this) {
            self::Quoted => 'quoted',
            self::QuotedShort => 'quoted, not the same sum',
            self::Exact => 'same amount',
            self::ExactNet => 'same amount less discount',
            self::AllDue => 'all that is due',
            self::WholeBalance => 'the whole balance',
            self::WithinTolerance => 'within the tolerance',
            self::Combination => 'makes the sum',
            self::ByOrder => 'in order of age',
            self::None => 'nothing open',
        };
    }
}
