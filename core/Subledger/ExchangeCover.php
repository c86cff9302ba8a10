<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/**
 * Finds the exchange differences that make up for what matches of one day moved in base off one side more than off the other (R1): those
 * of the day as a whole, all of the items that are settled by it, or the ones of the day that add up.
 */
final readonly class ExchangeCover
{
    /** Among more differences of one customer and day no subset is sought. */
    private const MOST = 16;

    /**
     * @param list<BaseDifference> $used
     * @param int $missing minor units of base currency, debit-positive; nil when the differences cover the gap
     */
    private function __construct(public array $used, public int $missing) {}

    /**
     * @param int $gap base moved off credits less base moved off debits, minor units
     * @param list<BaseDifference> $differences of the items matched, dated on the day or before
     * @param list<int> $settled items of which nothing is open any more
     */
    public static function of(int $gap, array $differences, array $settled): self
    {
        $ofTheDay = array_values(array_filter($differences, static fn (BaseDifference $d): bool => $d->ofTheDay));
        $isSettled = static fn (BaseDifference $difference): bool => in_array($difference->sourceId, $settled, true);
        $ofSettled = array_values(array_filter($differences, $isSettled));
        foreach ([$ofSettled, $ofTheDay, ...self::subsets($ofTheDay)] as $set) {
            if (self::sum($set) === $gap) {
                return new self($set, 0);
            }
        }

        return new self([], $gap - self::sum($ofTheDay));
    }

    /**
     * @param list<BaseDifference> $differences
     * @return iterable<list<BaseDifference>> the smallest first
     */
    private static function subsets(array $differences): iterable
    {
        if (count($differences) > self::MOST) {
            return;
        }
        $sets = range(0, 2 ** count($differences) - 1);
        usort($sets, static fn (int $one, int $other): int => substr_count(decbin($one), '1') <=> substr_count(decbin($other), '1'));
        foreach ($sets as $set) {
            yield array_values(
                array_filter($differences, static fn (int $place): bool => (($set >> $place) & 1) === 1, ARRAY_FILTER_USE_KEY),
            );
        }
    }

    /** @param  list<BaseDifference>  $differences */
    private static function sum(array $differences): int
    {
        return array_sum(array_map(static fn (BaseDifference $difference): int => $difference->base, $differences));
    }
}
