<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/** The day on which something that is left so on purpose is looked at again (R13). */
final class LookAgain
{
    /**
     * @param string $today by the clock
     * @param string $closing last day of the period that is being closed; what is closed later than it ended may look from there
     *
     * @throws Refusal when it is no day, or past
     */
    public static function on(string $day, string $today, string $closing): string
    {
        $past = min($today, $closing);
        if (Day::of($day) <= $past) {
            throw new Refusal("{$day} is past. Choose a day after {$past} on which to look again.");
        }

        return $day;
    }
}
