<?php

declare(strict_types=1);

namespace Tests\Core\Subledger;

use Ajuste\Core\Subledger\BaseDifference;
use Ajuste\Core\Subledger\CarryingAmount;
use Ajuste\Core\Subledger\ExchangeCover;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Movement;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\Timeline;
use PHPUnit\Framework\TestCase;

final class OpenAmountTest extends TestCase
{
    public function test_the_side_follows_the_kind(): void
    {
        $sides = [];
        foreach (Kind::cases() as $kind) {
            $sides[$kind->side()->value ?? 'either'][] = $kind->value;
        }
        self::assertSame(['invoice', 'debit_note', 'refund', 'charge', 'write_back'], $sides['debit']);
        self::assertSame(
            ['credit_note', 'receipt', 'deposit', 'discount', 'deduction', 'write_off', 'contra', 'deposit_matched'],
            $sides['credit'],
        );
        self::assertSame(['transfer', 'exchange_difference', 'adjustment', 'opening'], $sides['either']);
    }

    public function test_base_of_ten_over_three_units_one_at_a_time(): void
    {
        $moved = [];
        foreach ([0, 1, 2] as $matched) {
            $moved[] = CarryingAmount::movedBy(1000, 3, $matched, array_sum($moved), 1);
        }
        self::assertSame([333, 334, 333], $moved);
    }

    public function test_a_settled_item_carries_nothing_however_it_was_settled(): void
    {
        mt_srand(11);
        for ($try = 0; $try < 500; $try++) {
            $amount = mt_rand(1, 5000);
            $base = mt_rand(0, 9000);
            $matched = $moved = 0;
            while ($matched < $amount) {
                $now = mt_rand(1, $amount - $matched);
                $moved += CarryingAmount::movedBy($base, $amount, $matched, $moved, $now);
                $matched += $now;
                self::assertGreaterThanOrEqual(0, $moved);
                self::assertLessThanOrEqual($base, $moved);
            }
            self::assertSame($base, $moved);
        }
    }

    public function test_a_timeline_knows_each_day(): void
    {
        $timeline = new Timeline([
            new Movement('2026-10-05', 60, 60),
            new Movement('2026-10-20', 40, 40),
            new Movement('2026-10-25', -60, -60),
        ]);
        self::assertSame(
            [0, 60, 60, 100, 40],
            array_map(static fn (string $day): int => $timeline->at($day)->matched, [
                '2026-10-04',
                '2026-10-05',
                '2026-10-19',
                '2026-10-20',
                '2026-10-31',
            ]),
        );
        // A match of the day may take what is left beside the most that is matched from that day on.
        self::assertSame(
            [100, 100, 40],
            array_map(static fn (string $day): int => $timeline->at($day)->taken, ['2026-10-01', '2026-10-24', '2026-10-25']),
        );
        self::assertSame(
            ['2026-10-25', 40, '2026-10-25'],
            [$timeline->at('2026-10-01')->freeFrom, $timeline->at('2026-10-01')->allMatched, $timeline->lastDay()],
        );
        self::assertNull($timeline->settledOn(100));
        self::assertSame(
            '2026-10-20',
            (new Timeline([new Movement('2026-10-20', 40, 40), new Movement('2026-10-05', 60, 60)]))->settledOn(100),
        );
    }

    public function test_exchange_differences_cover_what_a_match_moved_unevenly(): void
    {
        $day = new BaseDifference(1, 7, 5600, true);
        $earlier = new BaseDifference(2, 7, 14400, false);
        $back = new BaseDifference(3, 7, -14400, true);
        self::assertSame([$day], ExchangeCover::of(5600, [$day], [7])->used);
        // Unrealised gain, its giving back and the realised gain: all are used up when the item is settled.
        self::assertSame([$earlier, $back, $day], ExchangeCover::of(5600, [$earlier, $back, $day], [7])->used);
        // A part payment uses up only the realised one (21.00 of the worked figures).
        $realised = new BaseDifference(4, 7, 2100, true);
        $share = new BaseDifference(5, 7, -5400, true);
        self::assertSame([$realised], ExchangeCover::of(2100, [$earlier, $share, $realised], [])->used);
        self::assertSame(5600, ExchangeCover::of(5600, [], [7])->missing);
        self::assertSame([], ExchangeCover::of(0, [], [])->used);
        self::assertSame(Side::Credit, Side::ofSign(-1));
    }
}
