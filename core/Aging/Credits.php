<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

/** What the aged list does with unapplied credits. */
enum Credits: string
{
    /** A column of their own. */
    case Separate = 'separate';
    /** In the columns, each by its own document date. */
    case OwnDate = 'own_date';
    /** Set against the oldest debits of the customer and currency, for show. */
    case OldestFirst = 'oldest_first';

    public function words(): string
    {
        return match ($this) {
            self::Separate => 'Credits in a column',
            self::OwnDate => 'Credits by their own date',
            self::OldestFirst => 'Credits against the oldest',
        };
    }
}
