<?php

declare(strict_types=1);

namespace Tests\Core\Calendar;

use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Calendar\LookAgain;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;

final class CalendarTest extends TestCase
{
    public function test_days(): void
    {
        self::assertTrue(Day::isDay('2024-02-29'));
        self::assertTrue(Day::isDay('2000-02-29'));
        foreach (['2026-02-29', '2026-13-01', '2026-1-1', '31/10/2026', '', '2026-10-31 ', '0000-00-00'] as $text) {
            self::assertFalse(Day::isDay($text), $text);
        }
        self::assertSame(30, Day::between('2026-10-01', '2026-10-31'));
        self::assertSame(['2026-10-01', '2024-02-29'], [Day::firstOfMonth('2026-10-31'), Day::lastOfMonth('2024-02-01')]);
        self::assertSame(-1, Day::between('2026-03-30', '2026-03-29')); // across a change of the clocks
        self::assertSame('2026-11-01', Day::plus('2026-10-31', 1));
        self::assertSame('2028-02-29', Day::lastOfMonth('2028-02-10'));
    }

    public function test_periods(): void
    {
        $period = Period::of('2026-10');
        self::assertSame(['2026-10-01', '2026-10-31'], [$period->first, $period->last]);
        $this->expectException(Refusal::class);
        Period::of('2026-13');
    }

    public function test_periods_follow_each_other_to_the_day(): void
    {
        $calendar = new Calendar;
        $next = $calendar->after(Period::of('2026-10'));
        self::assertSame(['2026-11', '2026-11-01', '2026-11-30'], array_values(get_object_vars($next)));
        self::assertSame('2028-02-29', $calendar->after(Period::of('2028-01'))->last);
        self::assertSame('2026-12', $calendar->before(Period::of('2027-01'))->name);
    }

    public function test_periods_of_an_own_calendar_stand_before_months(): void
    {
        $calendar = new Calendar([
            Period::between('2026-11', '2026-10-26', '2026-11-22'), Period::between('2026-10', '2026-09-28', '2026-10-25'),
        ]);
        self::assertSame('2026-11', $calendar->containing('2026-10-26')->name);
        self::assertSame('2026-10', $calendar->containing('2026-10-25')->name);
        self::assertSame('2026-10-26', $calendar->named('2026-10')->dayAfter());
        self::assertSame(['2026-11', '2026-10'], [
            $calendar->after($calendar->named('2026-10'))->name, $calendar->before($calendar->named('2026-11'))->name,
        ]);
        self::assertSame('2026-12-31', $calendar->containing('2026-12-03')->last, 'a month, where the calendar says nothing');
        self::assertSame([true, true, false, false], array_map(Period::isName(...), ['2026-10', '2026-13', '2026-00', '2026-1']));
        $this->expectException(Refusal::class);
        Period::between('2026-10', '2026-10-25', '2026-10-24');
    }

    /** A period 13 on the year's last day, beside months or beside a calendar of one's own (common practice). */
    public function test_a_period_for_adjustments_follows_the_last_of_the_year(): void
    {
        $thirteenth = Period::between('2026-13', '2026-12-31', '2026-12-31');
        $weeks = [Period::between('2026-12', '2026-11-30', '2026-12-31'), Period::between('2026-11', '2026-10-26', '2026-11-29')];
        foreach ([[], $weeks] as $own) {
            $calendar = new Calendar([$thirteenth, ...$own]);
            $twelfth = $calendar->containing('2026-12-31');
            self::assertSame('2026-12', $twelfth->name, 'business falls in the twelfth');
            self::assertSame([true, false], [$calendar->isForAdjustments($thirteenth), $calendar->isForAdjustments($twelfth)]);
            self::assertSame(['2026-13', '2027-01'], [$calendar->after($twelfth)->name, $calendar->after($thirteenth)->name]);
            self::assertSame(['2026-12-30', '2026-12-31'], [$calendar->lockedThrough($twelfth), $calendar->lockedThrough($thirteenth)]);
            self::assertSame(['2026-12', '2026-13'], [
                $calendar->lockedBy('2026-12-30')->name, $calendar->lockedBy('2026-12-31')->name,
            ]);
            self::assertSame(['2026-11', '2026-11', '2026-12'], array_map(
                static fn (Period $of): string => $calendar->before($of)->name,
                [$twelfth, $thirteenth, Period::of('2027-01')],
            ));
            self::assertNull($calendar->over(Period::between('2026-13', '2026-12-31', '2026-12-31')));
            self::assertSame('2026-13', $calendar->over(Period::between('2026-14', '2026-12-31', '2026-12-31'))?->name);
            self::assertSame('2026-13', $calendar->over(Period::between('2027-01', '2026-12-31', '2027-01-31'))?->name);
        }
        self::assertSame('2026-12', $calendar->over(Period::between('2026-14', '2026-12-30', '2026-12-31'))?->name, 'not one day');
        self::assertSame('2026-12', $calendar->over(Period::between('2026-14', '2026-12-30', '2026-12-30'))?->name, 'not the last');
        $apart = new Calendar([Period::between('2026-12', '2026-12-01', '2026-12-30'), $thirteenth]);
        self::assertSame(['2026-13', '2026-13', '2026-12-30'], [
            $apart->containing('2026-12-31')->name, $apart->after($apart->named('2026-12'))->name,
            $apart->lockedThrough($apart->named('2026-12')),
        ], 'a last day that no other period has is a period as any');
    }

    public function test_terms(): void
    {
        self::assertSame('2026-11-30', Terms::parse('net 30')->dueDate('2026-10-31'));
        self::assertSame('2026-11-15', Terms::parse('eom+15')->dueDate('2026-10-07'));
        $terms = Terms::parse('1.5/14 net 45');
        self::assertSame(['1.5', 14, 45], [$terms->discountPercent, $terms->discountDays, $terms->netDays]);
        $this->expectException(Refusal::class);
        Terms::parse('soon');
    }

    public function test_terms_with_several_due_dates(): void
    {
        $eur = static fn (int $minor): Money => Money::ofMinor($minor, 'EUR');
        $said = static fn (string $terms, int $minor): array => array_map(
            static fn (array $part): string => "{$part[0]} {$part[1]->decimal()}",
            Terms::parse($terms)->instalments('2026-10-07', $eur($minor)),
        );
        self::assertSame(['2026-10-07 363.00', '2026-12-06 847.00'], $said('30% net 0 + 70% net 60', 1_210_00));
        self::assertSame(['2026-10-07 0.51', '2026-12-06 0.50'], $said('50% net 0 + 50% net 60', 1_01), 'ties to the earlier part');
        self::assertSame(['2026-11-06 33.33', '2026-12-06 33.33', '2026-11-15 33.34'], $said(
            '33.3333% net 30 + 33.3333 % net 60 + 33.3334% eom+15', 100_00,
        ));
        self::assertSame('2026-10-07', Terms::parse('70% net 60 + 30% net 0')->dueDate('2026-10-07'), 'the first that falls due');
        self::assertSame([], $said('net 30', 100_00));
        self::assertSame([], $said('99% net 0 + 1% net 60', 1), 'a part that comes to nothing is none');
        foreach ([
            '30% net 0 + 60% net 60' => 'come to 90 %',
            '30% net 0 + 70% 2/10 net 60' => 'is no part of terms',
            '30% net 0, 70% net 60' => 'are not terms',
            '100% net soon' => 'are not terms',
        ] as $terms => $says) {
            try {
                Terms::parse($terms);
                self::fail("not refused: {$terms}");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
            }
        }
        self::assertFalse(Terms::isInParts('2% 10 days, 30 net'));
    }

    public function test_nothing_takes_effect_in_locked_days(): void
    {
        $locked = new LockedDays('2026-09-30');
        self::assertTrue($locked->includes('2026-09-30'));
        self::assertSame('2026-10-01', $locked->firstOpenFrom('2026-03-03'));
        self::assertSame('2026-10-05', $locked->firstOpenFrom('2026-10-05'));
        $locked->refuse('2026-10-01', 'The match');
        $this->expectExceptionMessage('The first open day is 2026-10-01');
        $locked->refuse('2026-09-30', 'The match');
    }

    public function test_a_day_to_look_again_is_not_past(): void
    {
        self::assertSame('2026-11-15', LookAgain::on('2026-11-15', '2026-11-26', '2026-10-31'), 'October is closed in November');
        self::assertSame('2026-10-11', LookAgain::on('2026-10-11', '2026-10-10', '2026-10-31'));
        $this->expectExceptionMessage('2026-10-31 is past. Choose a day after 2026-10-31');
        LookAgain::on('2026-10-31', '2026-11-26', '2026-10-31');
    }

    /** R13: more than a year after the period that is being closed is a slip of the hand. */
    public function test_days_more_than_a_year_ahead_are_refused(): void
    {
        $days = new LockedDays('2026-09-30', '2026-10-31');
        self::assertSame(
            [false, true, false, true, false],
            [
                $days->asksFor('2026-10-31', '2026-10-15'),
                $days->asksFor('2026-11-01', '2026-10-15'),
                $days->asksFor('2026-11-02', '2026-11-02'),
                $days->asksFor('2027-10-31', '2026-11-02'),
                $days->asksFor('2027-11-01', '2026-11-02'),
            ],
        );
        self::assertFalse((new LockedDays('2026-09-30'))->asksFor('2030-01-01', '2026-10-31'));
        $days->refuse('2027-10-31', 'The match');
        (new LockedDays(null))->refuse('2099-01-01', 'The match');
        $this->expectExceptionMessage('The match cannot be dated 2027-11-01: that is more than a year after 2026-10-31');
        $days->refuse('2027-11-01', 'The match');
    }

    /** By due date: 0 or less, 1–30, 31–60, 61–90, over 90; by document date 0–30 first (common practice). */
    public function test_age_columns_at_their_edges(): void
    {
        $due = AgeBuckets::parse('30,60,90', AgedBasis::DueDate);
        self::assertSame(['not_due', '1-30', '31-60', '61-90', 'over_90'], $due->labels);
        self::assertSame([0, 0, 1, 1, 2, 2, 3, 3, 4], array_map($due->column(...), [-5, 0, 1, 30, 31, 60, 61, 90, 91]));
        $document = AgeBuckets::parse('30, 60, 90', AgedBasis::DocumentDate);
        self::assertSame(['0-30', '31-60', '61-90', 'over_90'], $document->labels);
        self::assertSame([0, 0, 1, 2, 3], array_map($document->column(...), [0, 30, 31, 90, 91]));
        foreach (['', '30,30', '60,30', 'a', '0,30', '-1'] as $wrong) {
            try {
                AgeBuckets::parse($wrong, AgedBasis::DueDate);
                self::fail("“{$wrong}” was taken.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('30,60,90', $refusal->getMessage());
            }
        }
    }
}
