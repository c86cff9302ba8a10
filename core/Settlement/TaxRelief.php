<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Refusal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** The output tax within a gross amount that a customer does not pay (Directive 2006/112/EC art. 79 and 90). Amounts are minor units. */
final class TaxRelief
{
    /**
     * The tax within a document of which the lines are known: what it has beyond their net (R12).
     *
     * @param int $gross minor units of the document
     * @param int $net of all its lines, minor units; below zero on a credit note
     */
    public static function inDocument(int $gross, int $net): int
    {
        return $gross - abs($net);
    }

    /**
     * The tax in the invoice's own mix of rates: shared by gross, parts adding up. 24.20 on an invoice wholly at 21 % is 4.20.
     *
     * @param list<TaxedLine> $lines of the invoice; without any there is no relief, it is not guessed
     * @return int rounded half away from zero for each rate
     */
    public static function within(int $gross, array $lines): int
    {
        $weights = array_map(static fn (TaxedLine $line): int => max(0, $line->gross()), $lines);
        if ($weights === [] || array_sum($weights) === 0) {
            return 0;
        }
        $byRate = [];
        foreach (Rounding::split($gross, $weights) as $place => $part) {
            $byRate[$lines[$place]->rate] = ($byRate[$lines[$place]->rate] ?? 0) + $part;
        }

        return array_sum(
            array_map(static fn (int $part, int|string $rate): int => self::atRate($part, (string) $rate), $byRate, array_keys($byRate)),
        );
    }

    /**
     * The tax within a gross amount at one rate: 1,210.00 at 21 % is 210.00.
     *
     * @param string $rate percent
     * @return int rounded half away from zero
     *
     * @throws Refusal when the rate is no percentage from 0 to 100
     */
    public static function atRate(int $gross, string $rate): int
    {
        if (preg_match('/^\d{1,3}(\.\d{1,4})?$/D', $rate) !== 1 || BigRational::of($rate)->isGreaterThan(100)) {
            throw new Refusal("“{$rate}” is not a tax rate; a percentage such as 21 or 5.5 is expected.");
        }

        return BigRational::of($gross)
            ->multipliedBy($rate)
            ->dividedBy(BigRational::of($rate)->plus(100))
            ->toScale(0, RoundingMode::HALF_UP)
            ->toInt();
    }
}
