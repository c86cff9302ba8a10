<?php

declare(strict_types=1);

namespace App\Queries;

/** Which items of an account are read. */
enum WhichItems
{
    case All;

    /** Those that a match ever took something of. */
    case Moved;

    /** Those that only correct the base of another item (R9). */
    case Corrections;

    /** What it adds to the question: items are `i`, their positions `p`. */
    public function condition(): string
    {
        return match ($this) {
            self::All => '',
            self::Moved => " AND p.last_moved_on <> ''",
            self::Corrections => ' AND i.source_item_id IS NOT NULL',
        };
    }

    /** What it adds to the question which positions are open, so that few are read where few are meant. */
    public function amongOpen(): string
    {
        return $this === self::Moved ? " AND last_moved_on <> ''" : '';
    }
}
