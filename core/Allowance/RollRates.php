<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * Loss rates from the books' own history: the share of each column that is still open a month later, multiplied up to the oldest column,
 * times the share of what left the oldest column that was written off. The roll-rate method is common practice (from memory).
 */
final readonly class RollRates
{
    /** Decimals of a rate, in percent. */
    private const DECIMALS = 4;

    /** @param  list<RolledColumn>  $columns youngest first */
    private function __construct(public int $months, public Money $lost, public array $columns) {}

    /**
     * @param non-empty-list<string> $labels of the columns, youngest first
     * @param list<array<int, array{int, int}>> $ends column and open amount, minor units of base, by document, at each month's end
     * @param Money $lost what was written off between the first end and the last, base currency
     */
    public static function of(array $labels, array $ends, Money $lost): self
    {
        $stood = $stayed = $documents = array_fill(0, count($labels), 0);
        foreach (array_slice($ends, 0, -1) as $month => $open) {
            foreach ($open as $document => [$column, $amount]) {
                $stood[$column] += $amount;
                $stayed[$column] += min($amount, $ends[$month + 1][$document][1] ?? 0);
                $documents[$column]++;
            }
        }
        $last = count($labels) - 1;
        $left = $stood[$last] - $stayed[$last];
        $loss = $left > 0 ? self::share($lost->minor, $left) : null;
        $columns = [];
        for ($column = $last; $column >= 0; $column--) {
            $rolled = $stood[$column] > 0 ? self::share($stayed[$column], $stood[$column]) : null;
            if ($column < $last) {
                $loss = $rolled === null ? null : $loss?->multipliedBy($rolled);
            }
            $columns[] = new RolledColumn(
                $labels[$column],
                $documents[$column],
                self::money($stood[$column], $lost->currency),
                self::money($stayed[$column], $lost->currency),
                $rolled?->multipliedBy(100)->toScale(self::DECIMALS, RoundingMode::HALF_UP),
                $loss?->multipliedBy(100)->toScale(self::DECIMALS, RoundingMode::HALF_UP),
            );
        }

        return new self(max(0, count($ends) - 1), $lost, array_reverse($columns));
    }

    /** Never more than the whole. */
    private static function share(int $part, int $whole): BigRational
    {
        return BigRational::nd(min($part, $whole), $whole);
    }

    private static function money(int $minor, Currency $currency): Money
    {
        return Money::ofMinor($minor, $currency);
    }
}
