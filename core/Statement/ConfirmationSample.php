<?php

declare(strict_types=1);

namespace Ajuste\Core\Statement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Customers who are asked to confirm their balance (external confirmations, ISA 505 from memory), drawn by a rule that anybody can repeat
 * with the same balances.
 */
final readonly class ConfirmationSample
{
    /** @param  list<int>  $drawn customers, in the order of the balances given */
    private function __construct(public SampleRule $rule, public string $says, public array $drawn) {}

    /**
     * @param array<int, Money> $balances by customer, base currency, in the order of the customers' numbers; a credit counts by its size
     *
     * @throws Refusal when fewer than one is wanted
     */
    public static function largest(int $count, array $balances): self
    {
        self::refuseNone($count);
        $sizes = array_map(static fn (Money $of): int => $of->abs()->minor, $balances);
        $places = array_flip(array_keys($balances));
        uksort($sizes, static fn (int $one, int $other): int => [$sizes[$other], $places[$one]] <=> [$sizes[$one], $places[$other]]);

        $drawn = self::inOrder(array_slice($sizes, 0, $count, true), $balances);

        return new self(SampleRule::Largest, "the {$count} largest balances", $drawn);
    }

    /**
     * @param string $seed the same seed draws the same customers of the same balances
     * @param array<int, Money> $balances as above
     *
     * @throws Refusal when fewer than one is wanted, or no seed is named
     */
    public static function random(int $count, string $seed, array $balances): self
    {
        self::refuseNone($count);
        if (trim($seed) === '') {
            throw new Refusal('Name a seed, such as a word that the auditor gives: with it anybody can draw the same sample again.');
        }
        $ids = (new Randomizer(new Xoshiro256StarStar(hash('sha256', trim($seed), true))))->shuffleArray(array_keys($balances));

        return new self(
            SampleRule::Random,
            "{$count} at random by the seed “".trim($seed).'”',
            self::inOrder(array_flip(array_slice($ids, 0, $count)), $balances),
        );
    }

    /**
     * @param Money $amount base currency, nil or more
     * @param array<int, Money> $balances as above
     */
    public static function over(Money $amount, array $balances): self
    {
        $over = array_filter($balances, static fn (Money $of): bool => $of->abs()->isMoreThan($amount));

        return new self(SampleRule::Over, "all balances over {$amount->grouped()} {$amount->currency->code}", array_keys($over));
    }

    /** @throws Refusal */
    private static function refuseNone(int $count): void
    {
        if ($count < 1) {
            throw new Refusal('Say how many customers are to be drawn.');
        }
    }

    /**
     * @param array<int, int> $drawn by customer
     * @param array<int, Money> $balances
     * @return list<int>
     */
    private static function inOrder(array $drawn, array $balances): array
    {
        return array_keys(array_intersect_key($balances, $drawn));
    }
}
