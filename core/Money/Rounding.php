<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use InvalidArgumentException;

/** The one way in which Ajuste rounds and splits: half away from zero, at the minor unit, once, at the end of a step. */
final class Rounding
{
    /** Of the machine's largest integer: two factors up to this have a product that is an integer. */
    private const ROOT = 3_037_000_499;

    /**
     * round(amount × numerator ÷ denominator) in minor units, half away from zero, exact in between.
     *
     * @throws InvalidArgumentException when the denominator is zero
     */
    public static function proportion(int $amount, int $numerator, int $denominator): int
    {
        if ($denominator === 0) {
            throw new InvalidArgumentException('A proportion of nothing has no meaning.');
        }
        if ($numerator === $denominator) {
            return $amount;
        }

        $fits = max($amount, $numerator) <= self::ROOT && min($amount, $numerator) >= -self::ROOT;

        return $fits
            ? self::quotient($amount * $numerator, $denominator)
            : BigInteger::of($amount)->multipliedBy($numerator)->dividedBy($denominator, RoundingMode::HALF_UP)->toInt();
    }

    private static function quotient(int $product, int $denominator): int
    {
        $whole = intdiv($product, $denominator);
        $rest = $product % $denominator;
        // Twice the rest against the denominator without overflow: what the rest lacks to the denominator is no more than the rest.
        $up = abs($rest) >= abs($denominator) - abs($rest);

        return $up && $rest !== 0 ? $whole + (($product < 0) === ($denominator < 0) ? 1 : -1) : $whole;
    }

    /**
     * Splits a whole number of minor units in the proportion of the weights. The parts add up to the whole: each gets
     * its share rounded down, the units left over go to the largest remainders, ties to the earlier line.
     *
     * @param non-empty-list<int> $weights none negative, not all zero
     * @return non-empty-list<int>
     *
     * @throws InvalidArgumentException when a weight is negative or all are zero
     */
    public static function split(int $whole, array $weights): array
    {
        $sum = array_sum($weights);
        if (min($weights) < 0 || $sum <= 0) {
            throw new InvalidArgumentException('An amount is split by weights of which none is negative and one is above zero.');
        }
        $sign = $whole < 0 ? -1 : 1;
        $parts = $remainders = [];
        foreach ($weights as $weight) {
            [$quotient, $remainder] = BigInteger::of(abs($whole))->multipliedBy($weight)->quotientAndRemainder($sum);
            $parts[] = $quotient->toInt();
            $remainders[] = $remainder->toInt();
        }
        arsort($remainders); // stable: ties keep the earlier line first
        $left = abs($whole) - array_sum($parts);
        foreach (array_slice(array_keys($remainders), 0, $left) as $line) {
            $parts[$line]++;
        }

        return array_map(static fn (int $part): int => $sign * $part, array_values($parts));
    }
}
