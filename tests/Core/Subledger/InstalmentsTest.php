<?php

declare(strict_types=1);

namespace Tests\Core\Subledger;

use Ajuste\Core\Subledger\Instalment;
use Ajuste\Core\Subledger\Instalments;
use Ajuste\Core\Subledger\OpenInstalment;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class InstalmentsTest extends TestCase
{
    /** @return iterable<string, array{int, int, list<array{string, int, int}>}> matched, moved, what is left */
    public static function paid(): iterable
    {
        // Base 10.00 over 3 units moves 3.33, 3.34, 3.33 (R1).
        yield 'nothing' => [0, 0, [['2026-10-10', 1, 333], ['2026-11-10', 1, 334], ['2026-12-10', 1, 333]]];
        yield 'the first' => [1, 333, [['2026-11-10', 1, 334], ['2026-12-10', 1, 333]]];
        yield 'two' => [2, 667, [['2026-12-10', 1, 333]]];
        yield 'all' => [3, 1000, []];
    }

    /** @param  list<array{string, int, int}>  $left */
    #[DataProvider('paid')]
    public function test_matches_pay_the_oldest_first(int $matched, int $moved, array $left): void
    {
        $plan = new Instalments([new Instalment('2026-12-10', 1), new Instalment('2026-10-10', 1), new Instalment('2026-11-10', 1)]);
        $open = array_map(
            static fn (OpenInstalment $of): array => [$of->dueDate, $of->open, $of->base],
            $plan->open($matched, 1000, 1000 - $moved),
        );
        self::assertSame($left, $open);
    }

    /** R4: the oldest is paid unless one is named; what is more than that has comes off the oldest. */
    public function test_a_part_that_is_named_is_paid_before_older_ones(): void
    {
        $parts = [new Instalment('2026-10-10', 400), new Instalment('2026-11-10', 300), new Instalment('2026-12-10', 300)];
        $open = static fn (array $named, int $matched): array => array_map(
            static fn (OpenInstalment $of): string => "{$of->dueDate} {$of->open} {$of->base}",
            (new Instalments($parts, $named))->open($matched, 1100, 1100 - intdiv($matched * 11, 10)),
        );
        self::assertSame(['2026-10-10 400 440', '2026-11-10 300 330'], $open(['2026-12-10' => 300], 300));
        self::assertSame(['2026-10-10 400 440', '2026-11-10 300 330', '2026-12-10 200 220'], $open(['2026-12-10' => 100], 100));
        self::assertSame(['2026-10-10 300 330', '2026-11-10 300 330'], $open(['2026-12-10' => 300], 400), 'the rest pays the oldest');
        self::assertSame(['2026-10-10 300 330', '2026-11-10 300 330'], $open(['2026-12-10' => 400], 400), 'named for more than it has');
        self::assertSame(['2026-11-10 200 220', '2026-12-10 300 330'], $open(['2026-12-01' => 500], 500), 'no such part');
        self::assertSame([], $open(['2026-12-10' => 300], 1000));
        self::assertSame(['2026-10-10 400 440', '2026-11-10 300 330', '2026-12-10 300 330'], $open(['2026-12-10' => 300], 0), 'taken back');
    }

    public function test_the_oldest_open_one_carries_what_the_later_ones_do_not(): void
    {
        $plan = new Instalments([new Instalment('2026-10-10', 400), new Instalment('2026-11-10', 600)]);
        self::assertEquals(
            [new OpenInstalment('2026-10-10', 150, 140), new OpenInstalment('2026-11-10', 600, 660)],
            $plan->open(250, 1100, 800),
        );
    }
}
