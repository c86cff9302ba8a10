<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\Proof;

/** The bridge from the control account to the customers: one step for each cause, steps to scale, the totals cut. */
final readonly class Bridge
{
    public const HEIGHT = 190;

    private const TOP = 26;

    private const GROUND = 150;

    /** @var list<BridgeBar> */
    public array $bars;

    public float $width;

    public function __construct(Proof $proof, Currency $base)
    {
        $sums = $proof->amounts();
        $levels = [$proof->control];
        foreach ($sums as $sum) {
            $levels[] = $levels[count($levels) - 1] + $sum;
        }
        [$low, $high] = [min($levels), max($levels)];
        $span = max(1, $high - $low);
        $y = static fn (int $level): float => round(self::TOP + ((self::GROUND - 40 - self::TOP) * ($high - $level)) / $span, 1);
        $step = 720 / (count($sums) + 2);
        $bar = static fn (
            string $name,
            string $key,
            int $amount,
            int $place,
            float $top,
            float $height,
            float $to,
        ): BridgeBar => new BridgeBar($name, $key, Money::ofMinor($amount, $base), 8 + $place * $step, $top, $step * 0.72, $height, $to);
        $total = static fn (string $name, int $level, int $place): BridgeBar => $bar(
            $name,
            '',
            $level,
            $place,
            $y($level),
            self::GROUND - $y($level),
            $y($level),
        );
        $bars = [$total('Control', $proof->control, 0)];
        $level = $proof->control;
        foreach ($sums as $cause => $sum) {
            [$from, $to] = [$y($level), $y($level + $sum)];
            $name = self::short(Cause::from($cause));
            $bars[] = $bar($name, $cause, $sum, count($bars), min($from, $to), max(1.5, abs($to - $from)), $to);
            $level += $sum;
        }
        $bars[] = $total('Customers', $proof->customers, count($bars));
        $this->bars = $bars;
        $this->width = 728;
    }

    private static function short(Cause $cause): string
    {
        return match ($cause) {
            Cause::OpeningDifference => 'Opening',
            Cause::DuplicateInLedger => 'Twice, ledger',
            Cause::DuplicateInSubledger => 'Twice, subledger',
            Cause::WrongAccount => 'Other account',
            Cause::CutOff => 'Cut-off',
            Cause::SignReversed => 'Sign reversed',
            Cause::AmountTransposed => 'Transposed',
            Cause::AmountShifted => 'Slide',
            Cause::AmountDiffers => 'Amount differs',
            Cause::NotInLedger => "Not\u{a0}in ledger",
            Cause::NotInSubledger => "Not\u{a0}in subledger",
            Cause::NotNeeded => 'Not needed',
        };
    }
}
