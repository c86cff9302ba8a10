<?php

declare(strict_types=1);

namespace Tests\Core\Subledger;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Movement;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Timeline;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is matched on an item, day by day (R1). */
final class TimelineTest extends TestCase
{
    private static function timeline(): Timeline
    {
        return new Timeline([
            new Movement('2026-10-05', 60, 54, Kind::Receipt),
            new Movement('2026-10-20', -60, -54, Kind::Receipt),
            new Movement('2026-10-10', 40, 36, Kind::CreditNote),
            new Movement('2026-10-25', 50, 45, Kind::Discount),
        ]);
    }

    public function test_what_has_no_amount_of_its_own_is_settled_by_its_base(): void
    {
        $timeline = new Timeline([new Movement('2026-10-05', 0, 3), new Movement('2026-10-09', 0, 4)]);
        self::assertSame('2026-10-09', $timeline->settledInFullOn(0, 7));
        self::assertNull($timeline->settledInFullOn(0, 8));
        self::assertNull($timeline->settledInFullOn(1, 7));
        self::assertSame('2026-10-25', self::timeline()->settledInFullOn(90, 54));
    }

    public function test_where_it_stands_at_the_end_of_each_day(): void
    {
        $at = static fn (string $day): array => array_slice(get_object_vars(self::timeline()->at($day)), 0, 5);
        $says = static fn (int $matched, int $moved, int $taken): array => [
            'matched' => $matched,
            'moved' => $moved,
            'taken' => $taken,
            'allMatched' => 90,
            'allMoved' => 81,
        ];
        self::assertSame($says(0, 0, 100), $at('2026-10-04'));
        self::assertSame($says(60, 54, 100), $at('2026-10-05'));
        self::assertSame($says(100, 90, 100), $at('2026-10-19'));
        self::assertSame($says(40, 36, 90), $at('2026-10-20'));
        self::assertSame($says(90, 81, 90), $at('2026-10-25'));
        self::assertSame('2026-10-20', self::timeline()->at('2026-10-04')->freeFrom);
        self::assertSame('2026-10-25', self::timeline()->lastDay());
        self::assertSame('', (new Timeline([]))->lastDay());
    }

    public function test_it_is_settled_from_the_day_on_which_nothing_is_open_any_more(): void
    {
        self::assertSame('2026-10-25', self::timeline()->settledOn(90));
        self::assertNull(self::timeline()->settledOn(100), 'it was, until a match was taken back');
        self::assertNull((new Timeline([]))->settledOn(1));
    }

    /** A discount is not cash, and a credit note is neither (R4). */
    public function test_by_what_it_was_paid(): void
    {
        $paid = static fn (string $day): array => array_map(
            static fn (Money $of): int => $of->minor,
            array_values(get_object_vars(self::timeline()->paid($day, Money::zero('EUR')))),
        );
        self::assertSame([0, 0, 0], $paid('2026-10-04'));
        self::assertSame([60, 0, 40], $paid('2026-10-19'));
        self::assertSame([0, 50, 40], $paid('2026-10-25'));
    }

    /** @return iterable<array{int, int, int}> matched, taken and matched in all */
    public static function impossible(): iterable
    {
        yield [-1, 0, 0];
        yield [5, 4, 0];
        yield [0, 4, 5];
        yield [0, 0, -1];
    }

    #[DataProvider('impossible')]
    public function test_a_position_that_cannot_be_is_refused(int $matched, int $taken, int $all): void
    {
        $this->expectException(LogicException::class);
        new Position($matched, 0, $taken, $all, 0);
    }
}
