<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Money;

/** What is matched on one item, day by day: every question about what is open, free or paid of it is answered here. */
final readonly class Timeline
{
    /** @var list<Movement> by day, in posting order within it */
    private array $movements;

    /** @param  iterable<Movement>  $movements in posting order */
    public function __construct(iterable $movements)
    {
        $sorted = is_array($movements) ? array_values($movements) : iterator_to_array($movements, false);
        usort($sorted, static fn (Movement $one, Movement $other): int => $one->day <=> $other->day);
        $this->movements = $sorted;
    }

    /** Where the item stands at the end of a day. */
    public function at(string $day): Position
    {
        $matched = $moved = $all = $allMoved = $peak = 0;
        foreach ($this->movements as $movement) {
            $all += $movement->amount;
            $allMoved += $movement->base;
            if ($movement->day <= $day) {
                [$matched, $moved, $peak] = [$all, $allMoved, $all];
            }
        }

        return new Position($matched, $moved, max($peak, $this->peakAfter($day, $matched)), $all, $allMoved, $this->freeFrom());
    }

    /** The day from which on nothing is open any more; null while something is. */
    public function settledOn(int $amount): ?string
    {
        $matched = 0;
        $settled = null;
        foreach ($this->byDay() as $day => $change) {
            $matched += $change;
            $settled = $matched === $amount ? ($settled ?? $day) : null;
        }

        return $settled;
    }

    /**
     * The same of an item by its original amount, or by its base where it has no amount of its own: an exchange difference, minor units
     * of its currency and of base.
     */
    public function settledInFullOn(int $amount, int $base): ?string
    {
        if ($amount > 0) {
            return $this->settledOn($amount);
        }
        $ofBase = array_map(static fn (Movement $of): Movement => new Movement($of->day, $of->base, 0), $this->movements);

        return (new self($ofBase))->settledOn($base);
    }

    /** By what it is settled through a day's end, matches that stand then. */
    public function paid(string $day, Money $nil): Paid
    {
        $sums = [SettledBy::Cash->name => 0, SettledBy::Discount->name => 0, SettledBy::Credit->name => 0, SettledBy::Loss->name => 0];
        foreach ($this->movements as $movement) {
            if ($movement->day <= $day) {
                $sums[($movement->with?->settlesAs() ?? SettledBy::Cash)->name] += $movement->amount;
            }
        }
        $money = static fn (SettledBy $by): Money => Money::ofMinor($sums[$by->name], $nil->currency);

        return new Paid($money(SettledBy::Cash), $money(SettledBy::Discount), $money(SettledBy::Credit));
    }

    /** The last day on which something moved; blank where nothing did. */
    public function lastDay(): string
    {
        return $this->movements === [] ? '' : $this->movements[count($this->movements) - 1]->day;
    }

    /**
     * The last day on which a match was taken back; blank where none was. Only from then on all of what is open now is open on every
     * day that follows.
     */
    private function freeFrom(): string
    {
        $from = '';
        foreach ($this->movements as $movement) {
            $from = $movement->isReversal() ? $movement->day : $from;
        }

        return $from;
    }

    private function peakAfter(string $day, int $matched): int
    {
        $peak = $matched;
        foreach ($this->byDay() as $changed => $amount) {
            if ($changed > $day) {
                $peak = max($peak, $matched += $amount);
            }
        }

        return $peak;
    }

    /** @return array<string, int> change of the matched amount by day, ascending */
    private function byDay(): array
    {
        $changes = [];
        foreach ($this->movements as $movement) {
            $changes[$movement->day] = ($changes[$movement->day] ?? 0) + $movement->amount;
        }

        return $changes;
    }
}
