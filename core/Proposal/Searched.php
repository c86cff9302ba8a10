<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** How far the search for a combination went. */
enum Searched: string
{
    /** Everything that mattered for the answer was looked at. */
    case All = 'all';
    /** The search stopped at its limit of work; there may be more. */
    case Limit = 'limit';
    /** More open items than the policy searches, since among many a sum is hit by chance. */
    case TooMany = 'too_many';
}
