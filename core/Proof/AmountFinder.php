<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/**
 * Finds what may explain an amount: entries, pairs and threes of one side that make it, its half (an entry on the wrong side counts
 * twice), entries with two digits exchanged (such a difference is a multiple of nine, arithmetic) or the decimal point shifted, and
 * documents of which it is the tax. Amounts are minor units of base currency. Beside each test stands how many such hits chance alone
 * would give: those near the amount, divided by how many amounts are near.
 */
final class AmountFinder
{
    /** Sets are sought among the latest so many entries of a side. */
    private const LATEST = 1_500;

    private const MOST = 100;

    /** @var list<Finding> */
    public array $findings = [];

    /** @var array<string, float> expected hits by chance, by test */
    public array $chance = [];

    /** @var array<string, int> all hits, by test; of each test the first hundred and all among the causes are kept */
    public array $count = [];

    private readonly int $near;

    /**
     * @param int $amount above zero
     * @param list<ProofLine> $lines of both sides
     * @param array<int, int> $tax within items, by item id
     * @param array<string, true> $suspects lines among the causes of the proof, as `ledger 5` or `subledger 7`
     */
    public function __construct(
        private readonly int $amount,
        array $lines,
        private readonly array $tax,
        private readonly array $suspects = [],
    ) {
        $this->near = max(50, min(5_000, intdiv($amount, 50)));
        usort($lines, static fn (ProofLine $one, ProofLine $other): int => ProofLine::order($other, $one));
        foreach (FoundBy::cases() as $by) {
            $this->chance[$by->value] = 0.0;
        }
        foreach ($lines as $line) {
            $this->single($line);
        }
        $this->chance[FoundBy::DigitsExchanged->value] = $this->exchangesByChance($lines);
        foreach (Book::cases() as $book) {
            $some = array_slice(
                array_values(array_filter($lines, static fn (ProofLine $line): bool => $line->book === $book && $line->amount !== 0)),
                0,
                self::LATEST,
            );
            foreach ([$amount, -$amount] as $target) {
                $this->together($some, $target);
            }
        }
        $this->sort();
    }

    /** Entries that are the amount come first, then guesses: those among the causes, those that chance explains least, the latest. */
    private function sort(): void
    {
        $order = array_flip(array_column(FoundBy::cases(), 'value'));
        $rank = fn (Finding $of): array => [
            $of->by === FoundBy::Amount ? 0 : 1,
            $of->suspect ? 0 : 1,
            $this->chance[$of->by->value],
            $order[$of->by->value],
        ];
        usort($this->findings, static fn (Finding $one, Finding $other): int => $rank($one) <=> $rank($other)
            ?: $other->lines[0]->date <=> $one->lines[0]->date);
    }

    /** @return list<Finding> what is worth looking at, the first first */
    public function likely(): array
    {
        return array_values(array_filter($this->findings, fn (Finding $of): bool => ! $this->isChance($of)));
    }

    /** @return list<Finding> guesses of tests that chance alone explains: it gives about as many hits as there are */
    public function byChance(): array
    {
        return array_values(array_filter($this->findings, $this->isChance(...)));
    }

    /** Hits by chance scatter about what is expected; up to two standard deviations (of Poisson, the root of it) they say nothing. */
    private function isChance(Finding $of): bool
    {
        $chance = $this->chance[$of->by->value];
        $most = $chance < 1 ? $chance : $chance + 2 * sqrt($chance);

        return $of->by !== FoundBy::Amount && ! $of->suspect && ($this->count[$of->by->value] ?? 0) <= $most;
    }

    /** How many hits all tests would give by chance. */
    public function expected(): float
    {
        return array_sum($this->chance);
    }

    private function single(ProofLine $line): void
    {
        $size = abs($line->amount);
        $this->test(FoundBy::Amount, $line, $size, $this->amount, 1);
        if (isset($this->tax[$line->id]) && $line->book === Book::Subledger) {
            $this->test(FoundBy::Tax, $line, abs($this->tax[$line->id]), $this->amount, 1);
        }
        if ($this->amount % 2 === 0) {
            $this->test(FoundBy::Half, $line, $size, intdiv($this->amount, 2), 1);
        }
        if ($this->amount % 9 === 0) {
            foreach (self::exchanges($size) as $other) {
                if (abs($other - $size) === $this->amount) {
                    $this->found(FoundBy::DigitsExchanged, [$line], (string) $other);
                }
            }
            foreach (self::shifted($size) as $other) {
                $this->test(FoundBy::PointShifted, $line, abs($other - $size), $this->amount, 9, $other);
            }
        }
    }

    /** @return list<int> the amount with its point one or two places off */
    private static function shifted(int $size): array
    {
        $shifted = [$size * 10, $size * 100];
        foreach ([10, 100] as $by) {
            if ($size % $by === 0) {
                $shifted[] = intdiv($size, $by);
            }
        }

        return $shifted;
    }

    /** @param  int  $step such values are multiples of it, so that fewer are near */
    private function test(FoundBy $by, ProofLine $line, int $value, int $wanted, int $step, ?int $other = null): void
    {
        if ($value > 0 && abs($value - $wanted) <= $this->near) {
            $this->chance[$by->value] += $step / (2 * $this->near + 1);
            if ($value === $wanted) {
                $this->found($by, [$line], $other === null ? '' : (string) $other);
            }
        }
    }

    /**
     * Exchanging two neighbouring digits that differ by k, at a place p from the right, makes 9 × k × 10^p; of figures at random so
     * many in a hundred have such digits there: 2 × (10 − k).
     *
     * @param list<ProofLine> $lines
     */
    private function exchangesByChance(array $lines): float
    {
        $left = $this->amount % 9 === 0 ? intdiv($this->amount, 9) : 0;
        for ($place = 0; $left > 0 && $left % 10 === 0; $place++) {
            $left = intdiv($left, 10);
        }
        if ($left < 1 || $left > 9) {
            return 0.0;
        }
        $long = array_filter($lines, static fn (ProofLine $line): bool => strlen((string) abs($line->amount)) >= $place + 2);

        return (count($long) * 2 * (10 - $left)) / 100;
    }

    /** @return list<int> the figures that come from exchanging two neighbouring digits */
    private static function exchanges(int $size): array
    {
        $digits = (string) $size;
        $others = [];
        for ($place = 0; $place < strlen($digits) - 1; $place++) {
            if ($digits[$place] !== $digits[$place + 1]) {
                $others[] = (int) (substr($digits, 0, $place).$digits[$place + 1].$digits[$place].substr($digits, $place + 2));
            }
        }

        return $others;
    }

    /** @param  list<ProofLine>  $lines of one side */
    private function together(array $lines, int $target): void
    {
        /** @var array<int, list<int>> $places by amount */
        $places = [];
        foreach ($lines as $place => $line) {
            $places[$line->amount][] = $place;
        }
        $count = count($lines);
        for ($one = 0; $one < $count; $one++) {
            foreach ($places[$target - $lines[$one]->amount] ?? [] as $other) {
                if ($other > $one) {
                    $this->found(FoundBy::Two, [$lines[$one], $lines[$other]], '');
                }
            }
            for ($two = $one + 1; $two < $count; $two++) {
                foreach ($places[$target - $lines[$one]->amount - $lines[$two]->amount] ?? [] as $three) {
                    if ($three > $two) {
                        $this->found(FoundBy::Three, [$lines[$one], $lines[$two], $lines[$three]], '');
                    }
                }
            }
        }
        $sorted = array_map(static fn (ProofLine $line): int => $line->amount, $lines);
        sort($sorted);
        $width = 2 * $this->near + 1;
        $this->chance[FoundBy::Two->value] += self::pairsWithin($sorted, 0, $target - $this->near, $target + $this->near) / $width;
        $threes = 0;
        foreach ($sorted as $place => $amount) {
            $threes += self::pairsWithin($sorted, $place + 1, $target - $this->near - $amount, $target + $this->near - $amount);
        }
        $this->chance[FoundBy::Three->value] += $threes / $width;
    }

    /**
     * How many pairs of a sorted list, from a place on, add up to something between two amounts.
     *
     * @param list<int> $sorted
     */
    private static function pairsWithin(array $sorted, int $from, int $least, int $most): int
    {
        return self::pairsUpTo($sorted, $from, $most) - self::pairsUpTo($sorted, $from, $least - 1);
    }

    /** @param  list<int>  $sorted */
    private static function pairsUpTo(array $sorted, int $from, int $most): int
    {
        $pairs = 0;
        $high = count($sorted) - 1;
        for ($low = $from; $low < $high;) {
            if ($most >= $sorted[$low] + $sorted[$high]) {
                $pairs += $high - $low;
                $low++;
            } else {
                $high--;
            }
        }

        return $pairs;
    }

    /** @param  non-empty-list<ProofLine>  $lines */
    private function found(FoundBy $by, array $lines, string $note): void
    {
        // Of several together all have to be: with one of them chance finds others enough.
        $suspects = array_filter($lines, fn (ProofLine $line): bool => isset($this->suspects["{$line->book->value} {$line->id}"]));
        $suspect = count($suspects) === count($lines);
        $this->count[$by->value] = ($this->count[$by->value] ?? 0) + 1;
        if ($suspect || $this->count[$by->value] <= self::MOST) {
            $this->findings[] = new Finding($by, $lines, $note, $suspect);
        }
    }
}
