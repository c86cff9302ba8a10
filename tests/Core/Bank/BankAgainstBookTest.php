<?php

declare(strict_types=1);

namespace Tests\Core\Bank;

use Ajuste\Core\Bank\BankAgainstBook;
use Ajuste\Core\Bank\BookedMovement;
use Ajuste\Core\Bank\BookPosting;
use Ajuste\Core\Bank\Likely;
use Ajuste\Core\Bank\Unconfirmed;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

/** R16: book + own vouchers + to place + undecided outflows − unconfirmed + difference = closing. */
final class BankAgainstBookTest extends TestCase
{
    /** @param  list<int>  $postings */
    private static function movement(
        int $id,
        int $amount,
        string $text = '',
        string $day = '2026-10-20',
        array $postings = [],
    ): BookedMovement {
        return new BookedMovement($id, $day, Money::ofMinor($amount, 'EUR'), $text, false, $postings);
    }

    /** @param  list<string>  $names */
    private static function posting(int $id, int $amount, array $names = [], string $day = '2026-10-20'): BookPosting
    {
        return new BookPosting($id, $day, Money::ofMinor($amount, 'EUR'), $names);
    }

    /**
     * @param list<BookedMovement> $movements
     * @param list<BookPosting> $postings
     * @param list<int> $elsewhere
     */
    private static function against(
        array $movements,
        array $postings,
        int $closing = 0,
        int $book = 0,
        array $elsewhere = [],
    ): BankAgainstBook {
        $balance = new BankBalance('2026-10-31', Money::ofMinor($closing, 'EUR'));

        return new BankAgainstBook(
            $balance,
            '2026-10-01',
            Money::ofMinor($book, 'EUR'),
            Money::ofMinor(7, 'EUR'),
            $movements,
            $postings,
            5,
            $elsewhere,
        );
    }

    private static function told(BankAgainstBook $of): string
    {
        $ids = static fn (array $movements): string => implode(',', array_column($movements, 'id'));
        $postings = implode(
            ',',
            array_map(static fn (Unconfirmed $one): string => "{$one->posting->id} {$one->likely->value}", $of->unconfirmed),
        );

        return "in {$ids($of->toPlace)}; out {$ids($of->outflows)}; {$postings}; {$of->difference->minor}";
    }

    public function test_what_either_side_has_that_the_other_has_not(): void
    {
        $of = self::against(
            [self::movement(1, 500), self::movement(2, -300), self::movement(3, 200, postings: [9])],
            [self::posting(9, 200), self::posting(8, 400, day: '2026-10-05')],
            10_000,
            9_900,
        );
        // 9,900 + 7 + 500 − 300 − 400 + 293 = 10,000
        self::assertSame('in 1; out 2; 8 unknown; 293', self::told($of));
        self::assertSame([500, -300, 400], [$of->sumToPlace()->minor, $of->sumOfOutflows()->minor, $of->sumUnconfirmed()->minor]);
        self::assertFalse($of->ties());
        self::assertTrue(self::against([], [], 107, 100)->ties());
        self::assertFalse(self::against([], [], 108, 100)->ties());
        self::assertFalse(self::against([self::movement(1, 500)], [], 607, 100)->ties());
        self::assertFalse(self::against([self::movement(1, -500)], [], -393, 100)->ties());
        self::assertFalse(self::against([], [self::posting(1, 5)], 102, 100)->ties());
    }

    public function test_a_name_and_the_amount_confirm_however_many_days_apart(): void
    {
        $named = [self::movement(1, 500, 'pays R2600773', '2026-10-30')];
        self::assertSame('in ; out ; ; -7', self::told(self::against($named, [self::posting(9, 500, ['R2600773'], '2026-09-01')])));
        self::assertSame('in 1; out ; ; -507', self::told(self::against($named, [self::posting(9, 501, ['R2600773'], '2026-09-30')])));
        self::assertSame('in 1; out ; ; -507', self::told(self::against($named, [self::posting(9, 500, ['R9'], '2026-09-30')])));
        // The one that is named, though another is nearer.
        $two = [self::posting(8, 500, ['other'], '2026-10-30'), self::posting(9, 500, ['R2600773'], '2026-10-02')];
        self::assertSame('in ; out ; 8 in_transit; 493', self::told(self::against($named, $two)));
    }

    public function test_without_a_name_by_amount_within_the_window_and_never_two(): void
    {
        $movement = [self::movement(1, 500)];
        foreach (['2026-10-15' => true, '2026-10-25' => true, '2026-10-14' => false, '2026-10-26' => false] as $day => $meets) {
            self::assertSame($meets, self::against($movement, [self::posting(9, 500, [], $day)])->toPlace === [], $day);
        }
        $near = [self::posting(8, 500, [], '2026-10-17'), self::posting(9, 500, [], '2026-10-21')];
        self::assertSame('in ; out ; 8 twice; 493', self::told(self::against($movement, $near)), 'the nearest');
        $equal = [self::posting(9, 500), self::posting(8, 500)];
        self::assertSame('in ; out ; 9 twice; 493', self::told(self::against($movement, $equal)), 'of two as near the first');
        $twice = [self::movement(1, 500), self::movement(2, 500)];
        self::assertSame('in 2; out ; ; -507', self::told(self::against($twice, [self::posting(9, 500)])));
    }

    public function test_what_is_likely_of_a_posting_without_a_movement(): void
    {
        $likely = static fn (BookPosting $of, array $movements = [], array $postings = [], array $elsewhere = []): Likely => array_values(
            array_filter(
                self::against($movements, [...$postings, $of], elsewhere: $elsewhere)->unconfirmed,
                static fn (Unconfirmed $one): bool => $one->posting->id === $of->id,
            ),
        )[0]->likely;
        self::assertSame(Likely::InTransit, $likely(self::posting(5, 100, [], '2026-10-25')));
        self::assertSame(Likely::Unknown, $likely(self::posting(5, 100, [], '2026-10-24')));
        self::assertSame(Likely::WrongAccount, $likely(self::posting(5, 100, [], '2026-10-30'), elsewhere: [100]));
        self::assertSame(Likely::Unknown, $likely(self::posting(5, 100, [], '2026-10-02'), elsewhere: [-100]));
        $met = [self::movement(1, 100, postings: [4])];
        self::assertSame(Likely::Twice, $likely(self::posting(5, 100, ['R1'], '2026-10-02'), $met, [self::posting(4, 100, ['R1'])]));
        self::assertSame(Likely::Unknown, $likely(self::posting(5, 100, ['R1'], '2026-10-02'), $met, [self::posting(4, 100, ['R2'])]));
        foreach (Likely::cases() as $case) {
            self::assertNotSame('', $case->words());
        }
    }

    public function test_what_was_posted_before_the_first_statement_is_in_its_opening_balance(): void
    {
        self::assertSame('in ; out ; ; -7', self::told(self::against([], [self::posting(9, 500, [], '2026-09-30')])));
        self::assertSame('in ; out ; 9 unknown; 493', self::told(self::against([], [self::posting(9, 500, [], '2026-10-01')])));
        $late = [self::movement(1, 500, '', '2026-10-02')];
        self::assertSame('in ; out ; ; -7', self::told(self::against($late, [self::posting(9, 500, [], '2026-09-30')])));
    }

    public function test_a_name_of_four_characters_counts_however_far_apart_and_one_of_three_does_not(): void
    {
        $left = static fn (string $name): int => count(
            self::against([self::movement(1, 500, "slip {$name}", '2026-10-30')], [self::posting(1, 500, [$name], '2026-10-02')])->toPlace,
        );
        self::assertSame([0, 1], [$left('PS26'), $left('P26')]);
        self::assertFalse((new BookedMovement(1, '2026-10-01', Money::zero('EUR'), ''))->isDecided);
    }
}
