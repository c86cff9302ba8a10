<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

use Ajuste\Core\Calendar\Day;

/** What holds for all direct debits (SEPA rulebooks, from memory). */
final class DirectDebits
{
    public const CURRENCY = 'EUR';

    /** Days before the collection by which the payer is told its amount and day, unless a shorter time is agreed. */
    public const NOTICE_DAYS = 14;

    /**
     * Whether the payer is told in time.
     *
     * @param int $days agreed
     */
    public static function isInTime(string $told, string $collected, int $days): bool
    {
        return Day::plus($told, $days) <= $collected;
    }
}
