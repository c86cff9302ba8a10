<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Calendar\Day;

/** Account numbers to which money is paid back. */
final class BankDetails
{
    /** Days for which a changed number counts as new (common practice against payments led astray). */
    private const NEW_DAYS = 30;

    /**
     * Whether the reviewer looks at it before it is paid to.
     *
     * @param string $changed day on which it took the place of another one, blank where it never did
     */
    public static function areNew(string $changed, string $today): bool
    {
        return $changed !== '' && Day::between($changed, $today) <= self::NEW_DAYS;
    }
}
