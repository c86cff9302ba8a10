<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Proposal\BankConfirmation;
use Ajuste\Core\Proposal\PostedMovement;
use Ajuste\Core\Proposal\StatementMovement;
use PHPUnit\Framework\TestCase;

final class BankConfirmationTest extends TestCase
{
    /**
     * @param list<array{int, string, int, string, string}> $lines id, day, amount, payer, text
     * @param list<array{int, string, int, string, list<string>}> $postings id, day, amount, customer, names
     * @return array<int, string>
     */
    private static function find(array $lines, array $postings, int $window = 5): array
    {
        return array_map(
            static fn ($found): string => $found->postingId.($found->sure ? '' : ' ?'),
            BankConfirmation::find(
                array_map(static fn (array $of): StatementMovement => new StatementMovement(...$of), $lines),
                array_map(static fn (array $of): PostedMovement => new PostedMovement(...$of), $postings),
                $window,
            ),
        );
    }

    public function test_the_posting_that_is_named_is_confirmed_even_among_equal_ones(): void
    {
        $postings = [[1, '2026-10-05', 5000, '', ['PS261005']], [2, '2026-10-06', 5000, '', ['PS261006']]];
        self::assertSame([7 => '2'], self::find([[7, '2026-10-05', 5000, '', 'slip PS261006']], $postings));
    }

    public function test_one_payer_or_none_and_nothing_else_that_fits(): void
    {
        self::assertSame([7 => '1'], self::find([[7, '2026-10-08', 5000, 'C1', '']], [[1, '2026-10-05', 5000, 'C1', []]]));
        self::assertSame([7 => '1'], self::find([[7, '2026-10-08', 5000, '', 'paying-in']], [[1, '2026-10-05', 5000, '', []]]));
        // The posting is of a customer, the statement does not say whose money it is.
        self::assertSame([7 => '1 ?'], self::find([[7, '2026-10-08', 5000, '', '']], [[1, '2026-10-05', 5000, 'C1', []]]));
    }

    public function test_never_another_payer_amount_or_time(): void
    {
        $posting = [[1, '2026-10-05', 5000, 'C1', []]];
        self::assertSame([], self::find([[7, '2026-10-05', 5000, 'C2', '']], $posting));
        self::assertSame([], self::find([[7, '2026-10-05', 5001, 'C1', '']], $posting));
        self::assertSame([], self::find([[7, '2026-10-05', -5000, 'C1', '']], $posting));
        self::assertSame([], self::find([[7, '2026-10-11', 5000, 'C1', '']], $posting));
    }

    public function test_what_could_be_two_is_left_to_the_person_and_no_posting_is_confirmed_twice(): void
    {
        $two = [[1, '2026-10-05', 5000, 'C1', []], [2, '2026-10-06', 5000, 'C1', []]];
        self::assertSame([7 => '1 ?'], self::find([[7, '2026-10-08', 5000, 'C1', '']], $two));
        self::assertSame([7 => '1', 8 => '2'], self::find([[7, '2026-10-05', 5000, 'C1', ''], [8, '2026-10-07', 5000, 'C1', '']], $two));
        self::assertSame(
            [7 => '1 ?', 8 => '1 ?'],
            self::find([[7, '2026-10-06', 5000, 'C1', ''], [8, '2026-10-06', 5000, 'C1', '']], [[1, '2026-10-05', 5000, 'C1', []]]),
        );
    }

    public function test_why_it_is_thought_to_be_the_posting(): void
    {
        $why = static fn (StatementMovement $line, PostedMovement ...$postings): string => BankConfirmation::find(
            [$line],
            array_values($postings),
            5,
        )[$line->id]->why;
        $posting = static fn (int $id, string $customer, string ...$names): PostedMovement => new PostedMovement(
            $id,
            '2026-10-05',
            5000,
            $customer,
            array_values($names),
        );
        $line = static fn (string $text, string $customer = 'C1'): StatementMovement => new StatementMovement(
            7,
            '2026-10-06',
            5000,
            $customer,
            $text,
        );
        self::assertSame('named by the statement', $why($line('slip PS26'), $posting(1, 'C1', 'PS26')));
        self::assertSame('same payer and amount', $why($line('slip PS2'), $posting(1, 'C1', 'PS2')), 'three characters name nothing');
        self::assertSame('same amount, nothing else fits', $why($line(''), $posting(1, '')));
        self::assertSame('same amount, 2 of them', $why($line(''), $posting(1, 'C1'), $posting(2, 'C1')));
        self::assertSame('same payer and amount', $why($line(''), $posting(1, 'C1', 'PS26')));
    }

    public function test_a_day_within_the_window_counts_either_way(): void
    {
        foreach (['2026-10-10', '2026-09-30'] as $day) {
            self::assertSame([7 => '1'], self::find([[7, $day, 5000, 'C1', '']], [[1, '2026-10-05', 5000, 'C1', []]]));
        }
        foreach (['2026-10-11', '2026-09-29'] as $day) {
            self::assertSame([], self::find([[7, $day, 5000, 'C1', '']], [[1, '2026-10-05', 5000, 'C1', []]]));
        }
    }
}
