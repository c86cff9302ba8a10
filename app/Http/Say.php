<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Money\Money;
use App\Queries\Settings;
use DateTimeImmutable;

/** How days, moments and sides are written for people. */
final class Say
{
    /** `31 Oct 2026` */
    public static function day(string $iso): string
    {
        return $iso === '' ? '' : (new DateTimeImmutable($iso))->format('j M Y');
    }

    /** `31 Oct`, and `1 Nov 25` when that is not the year of the period. */
    public static function shortDay(string $iso): string
    {
        return $iso === ''
            ? ''
            : (new DateTimeImmutable($iso))->format(
                substr($iso, 0, 4) === substr(app(Settings::class)->period()->name, 0, 4) ? 'j M' : 'j M y',
            );
    }

    /** `2 Nov 2026, 17:30` in UTC */
    public static function moment(string $iso): string
    {
        return (new DateTimeImmutable($iso))->format('j M Y, H:i');
    }

    /** `October 2026` */
    public static function month(string $iso): string
    {
        return (new DateTimeImmutable($iso))->format('F Y');
    }

    /** `October 2026`, or `period 13 of 2026` where it is no month. */
    public static function period(Period $period): string
    {
        $month = Period::containing($period->first);

        return [$month->first, $month->last] === [$period->first, $period->last]
            ? self::month($period->first)
            : 'period '.(int) substr($period->name, 5).' of '.substr($period->name, 0, 4);
    }

    /** `40 seconds`, `3 minutes`: how long something takes, about. */
    public static function duration(int $seconds): string
    {
        return $seconds < 90 ? self::count($seconds, 'second') : self::count((int) round($seconds / 60), 'minute');
    }

    /** `1,250.00 Dr`: the side is written, never a sign alone. */
    public static function balance(Money $money): string
    {
        return $money->abs()->grouped().($money->isZero() ? '' : ($money->minor > 0 ? ' Dr' : ' Cr'));
    }

    /** `Not due`, `1–30`, `Over 90`: a column of the aged list */
    public static function bucket(string $label): string
    {
        return ucfirst(str_replace(['_', '-'], [' ', '–'], $label));
    }

    /** `DE89 3704 0044 0532 0130 00`; other numbers as they are */
    public static function iban(string $number): string
    {
        return Iban::isValid($number) ? rtrim(chunk_split(Iban::plain($number), 4, ' ')) : $number;
    }

    /** `1 row`, `4 rows` */
    public static function count(int $count, string $of): string
    {
        return number_format($count).' '.$of.($count === 1 ? '' : 's');
    }
}
