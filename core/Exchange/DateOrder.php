<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** The order of day, month and year in the dates of a file. */
enum DateOrder: string
{
    case YearMonthDay = 'ymd';
    case DayMonthYear = 'dmy';
    case MonthDayYear = 'mdy';

    public function words(): string
    {
        return match ($this) {
            self::YearMonthDay => 'year, month, day (2026-10-31)',
            self::DayMonthYear => 'day, month, year (31/10/2026)',
            self::MonthDayYear => 'month, day, year (10/31/2026)',
        };
    }

    /** The ISO form, or null when the text is not a date in this order. A time behind the date is let go. */
    public function iso(string $text): ?string
    {
        if ($this === self::YearMonthDay && preg_match('/^\d{4}-\d\d-\d\d$/D', $text) === 1) {
            return $text; // as most files have it
        }
        if (preg_match('~^(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})(?:[T ]\d\d:\d\d.*)?$~D', trim($text), $part) !== 1) {
            return $this === self::YearMonthDay && preg_match('/^(\d{4})(\d\d)(\d\d)$/D', $text, $part) === 1
                ? "{$part[1]}-{$part[2]}-{$part[3]}"
                : null;
        }
        [$year, $month, $day] = match ($this) {
            self::YearMonthDay => [strlen($part[1]) === 4 ? $part[1] : '', $part[2], $part[3]],
            self::DayMonthYear => [$part[3], $part[2], $part[1]],
            self::MonthDayYear => [$part[3], $part[1], $part[2]],
        };
        $year = strlen($year) === 2 ? '20'.$year : $year;

        return strlen($year) === 4 && strlen($day) <= 2 ? sprintf('%s-%02d-%02d', $year, $month, $day) : null;
    }
}
