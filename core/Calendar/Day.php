<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;
use DateTimeImmutable;
use DateTimeZone;

/** Calendar days as ISO 8601 text (`2026-10-31`): they compare as strings, and have no time and no zone. */
final class Day
{
    /**
     * The day, when the text is one between 1900 and 2199.
     *
     * @throws Refusal otherwise
     */
    public static function of(string $text): string
    {
        return self::isDay($text)
            ? $text
            : throw new Refusal("“{$text}” is not a date; year, month and day are expected, such as 2026-10-31.");
    }

    public static function isDay(string $text): bool
    {
        /** @var array<string, true> $seen */
        static $seen = [];
        if (isset($seen[$text])) {
            return true;
        }
        $good = preg_match('/^(19|20|21)\d\d-\d\d-\d\d$/D', $text) === 1
            && checkdate((int) substr($text, 5, 2), (int) substr($text, 8, 2), (int) substr($text, 0, 4));
        if ($good && count($seen) < 40_000) {
            $seen[$text] = true;
        }

        return $good;
    }

    /** Days since 1970-01-01. */
    public static function number(string $day): int
    {
        /** @var array<string, int> $numbers */
        static $numbers = [];

        return $numbers[$day] ??= intdiv((int) self::at($day)->format('U'), 86_400);
    }

    /** Days from one day to another; negative when `$to` is the earlier. */
    public static function between(string $from, string $to): int
    {
        return self::number($to) - self::number($from);
    }

    public static function plus(string $day, int $days): string
    {
        return self::at($day)->modify(sprintf('%+d days', $days))->format('Y-m-d');
    }

    /** The same day of a later month, or that month's last day where it has no such day. */
    public static function plusMonths(string $day, int $months): string
    {
        $month = self::at(self::firstOfMonth($day))->modify(sprintf('%+d months', $months))->format('Y-m-d');

        return min(substr($month, 0, 8).substr($day, 8), self::lastOfMonth($month));
    }

    public static function lastOfMonth(string $day): string
    {
        return self::at($day)->modify('last day of this month')->format('Y-m-d');
    }

    public static function firstOfMonth(string $day): string
    {
        return substr($day, 0, 8).'01';
    }

    private static function at(string $day): DateTimeImmutable
    {
        return new DateTimeImmutable($day, new DateTimeZone('UTC'));
    }
}
