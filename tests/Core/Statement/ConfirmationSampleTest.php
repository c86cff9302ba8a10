<?php

declare(strict_types=1);

namespace Tests\Core\Statement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Statement\ConfirmationSample;
use PHPUnit\Framework\TestCase;

final class ConfirmationSampleTest extends TestCase
{
    /** @return array<int, Money> */
    private static function balances(): array
    {
        $minors = [7 => 500, 3 => -900, 9 => 100, 4 => 500, 5 => 50];

        return array_map(static fn (int $minor): Money => Money::ofMinor($minor, 'EUR'), $minors);
    }

    public function test_the_largest_by_size_those_alike_in_the_order_of_their_numbers(): void
    {
        self::assertSame([3], ConfirmationSample::largest(1, self::balances())->drawn);
        self::assertSame([7, 3], ConfirmationSample::largest(2, self::balances())->drawn);
        self::assertSame([7, 3, 4], ConfirmationSample::largest(3, self::balances())->drawn);
        self::assertSame([7, 3, 9, 4, 5], ConfirmationSample::largest(99, self::balances())->drawn);
        self::assertSame('the 2 largest balances', ConfirmationSample::largest(2, self::balances())->says);
    }

    public function test_all_over_an_amount_not_those_of_it(): void
    {
        self::assertSame([7, 3, 4], ConfirmationSample::over(Money::ofMinor(100, 'EUR'), self::balances())->drawn);
        self::assertSame([3], ConfirmationSample::over(Money::ofMinor(500, 'EUR'), self::balances())->drawn);
        self::assertSame([], ConfirmationSample::over(Money::ofMinor(900, 'EUR'), self::balances())->drawn);
    }

    public function test_at_random_the_same_seed_draws_the_same_and_every_customer_has_the_same_chance(): void
    {
        $draw = static fn (string $seed): array => ConfirmationSample::random(2, $seed, self::balances())->drawn;
        self::assertSame($draw('harvest'), $draw(' harvest '));
        $times = array_fill_keys(array_keys(self::balances()), 0);
        for ($seed = 0; $seed < 1000; $seed++) {
            $drawn = $draw("seed {$seed}");
            self::assertCount(2, $drawn);
            foreach ($drawn as $id) {
                $times[$id]++;
            }
        }
        // 400 are expected of each; four standard deviations of a binomial with p = 0.4 are 62.
        foreach ($times as $count) {
            self::assertEqualsWithDelta(400, $count, 62);
        }
    }

    public function test_what_a_rule_needs_is_asked_for(): void
    {
        foreach ([
            'how many' => static fn () => ConfirmationSample::largest(0, self::balances()),
            'seed' => static fn () => ConfirmationSample::random(1, ' ', self::balances()),
        ] as $says => $draw) {
            try {
                $draw();
                self::fail("not refused: {$says}");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
            }
        }
    }
}
