<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/**
 * Finds the set of open items that makes an amount: fewest items first, then oldest (due dates sorted ascending, then document numbers),
 * each item gross or less its available discount, credits included (R6). Limited by work done, never by the clock, so that the same
 * data give the same answer.
 *
 * Few items are searched whole, by meeting in the middle of the list. Among many, sets of two, three, four … items are tried in turn, each as
 * two halves that meet. Of items with equal amounts only the oldest so many are tried; the others make other sets, not better ones.
 */
final class CombinationSearch
{
    /** Items that a search can hold: a bit for each. */
    public const MOST_ITEMS = 62;

    /** Subsets of one half of the list, up to which the list is searched whole. */
    private const WHOLE = 20_000;

    /** @var list<Candidate> oldest first */
    private readonly array $items;

    /** @var list<non-empty-list<int>> what each item takes off the receipt: gross, and net where a discount is available */
    private array $values = [];

    /** @var list<int> the next older item with the same amounts, −1 for the oldest of them */
    private array $elder = [];

    /** @var list<int> all older items with the same amounts, a bit for each */
    private array $elders = [];

    private int $left;

    /** @var list<array{int, int}> item and value of the best set so far */
    private array $best = [];

    private int $found = 0;

    /** @param  list<Candidate>  $candidates */
    private function __construct(array $candidates, private readonly int $target, int $work)
    {
        usort($candidates, Candidate::byAge(...));
        $this->items = $candidates;
        $this->left = $work;
        $last = [];
        foreach ($candidates as $place => $candidate) {
            $this->values[] = $candidate->discount > 0 ? [$candidate->gross(), $candidate->net()] : [$candidate->gross()];
            $alike = "{$candidate->gross()} {$candidate->discount}";
            $elder = $last[$alike] ?? -1;
            $this->elder[] = $elder;
            $this->elders[] = $elder < 0 ? 0 : $this->elders[$elder] | 1 << $elder;
            $last[$alike] = $place;
        }
    }

    /**
     * @param list<Candidate> $candidates at most MOST_ITEMS
     * @param int $target minor units, above zero
     * @param int $work subsets and meetings to look at, at most
     */
    public static function find(array $candidates, int $target, int $work): Combination
    {
        $search = new self($candidates, $target, $work);
        $middle = $search->middle();
        $searched = $middle !== null ? $search->whole($middle) : $search->bySize();

        return new Combination(
            array_map(static fn (array $choice): Settles => Settles::inFull($search->items[$choice[0]], $choice[1] === 1), $search->best),
            $searched === Searched::All && $search->found === 1 && ! $search->hasTwin(),
            $searched,
        );
    }

    /** The place that divides the list into halves with subsets as even as can be; null when a half has too many. */
    private function middle(): ?int
    {
        $before = [1.0];
        foreach ($this->values as $values) {
            $before[] = end($before) * (count($values) + 1);
        }
        $all = end($before);
        $middle = 0;
        foreach ($before as $place => $subsets) {
            if (max($subsets, $all / $subsets) < max($before[$middle], $all / $before[$middle])) {
                $middle = $place;
            }
        }

        return max($before[$middle], $all / $before[$middle]) <= self::WHOLE ? $middle : null;
    }

    private function whole(int $middle): Searched
    {
        $later = [];
        for ($size = 0; $size <= count($this->items) - $middle; $size++) {
            $later[$size] = $this->bySum($size, $middle);
        }
        for ($size = 0; $size <= $middle; $size++) {
            foreach ($this->subsets($size, 0, $middle, true) as [$sum, $subset]) {
                foreach ($later as $laterSize => $subsets) {
                    if (isset($subsets[$this->target - $sum])) {
                        $this->meet($subset, $subsets[$this->target - $sum], $laterSize);
                    }
                }
            }
        }

        return $this->left > 0 ? Searched::All : Searched::Limit;
    }

    private function bySize(): Searched
    {
        $later = [];
        for ($size = 2; $size <= count($this->items) && $this->left > 0; $size++) {
            $half = intdiv($size, 2);
            $later = isset($later[$half]) ? $later : [$half => $this->bySum($half, 0)];
            foreach ($this->subsets($size - $half, 0, count($this->items), true) as [$sum, $subset]) {
                if (isset($later[$half][$this->target - $sum])) {
                    $this->meet($subset, $later[$half][$this->target - $sum], $half);
                    // Any set of more items shows that the best one is not the only one.
                    if ($this->found > 1 && count($this->best) < $size) {
                        return Searched::All;
                    }
                }
            }
            // Two of this size: the better one is the answer, provided that the size was looked through.
            if ($this->found > 1 && $this->left > 0) {
                return Searched::All;
            }
        }

        return $this->left > 0 ? Searched::All : Searched::Limit;
    }

    /**
     * Subsets of so many items from a place on, one after the other in a string for each sum.
     *
     * @return array<int, string>
     */
    private function bySum(int $size, int $from): array
    {
        $subsets = [];
        foreach ($this->subsets($size, $from, count($this->items), false) as [$sum, $subset]) {
            $subsets[$sum] = ($subsets[$sum] ?? '').$subset;
        }

        return $subsets;
    }

    /**
     * Subsets of so many items between two places: their sum, and item and value of each, packed into a string.
     *
     * @param bool $fromTheOldest of items with equal amounts only the oldest so many; else any that follow each other
     * @return iterable<array{int, string}>
     */
    private function subsets(int $size, int $from, int $to, bool $fromTheOldest): iterable
    {
        if ($size === 0) {
            yield [0, ''];

            return;
        }
        /** @var list<array{int, int, int, string, int}> $open next place, items missing, sum, subset, a bit for each item in it */
        $open = [[$from, $size, 0, '', 0]];
        while ($open !== []) {
            [$place, $missing, $sum, $subset, $in] = array_pop($open);
            for ($next = $to - $missing; $next >= $place; $next--) {
                $elder = $this->elder[$next];
                if ($elder >= $from && ($in >> $elder & 1) === 0 && ($fromTheOldest || ($in & $this->elders[$next]) !== 0)) {
                    continue;
                }
                if (--$this->left < 0) {
                    return;
                }
                foreach ($this->values[$next] as $which => $value) {
                    if ($missing === 1) {
                        yield [$sum + $value, $subset.chr($next).chr($which)];
                    } else {
                        $open[] = [$next + 1, $missing - 1, $sum + $value, $subset.chr($next).chr($which), $in | 1 << $next];
                    }
                }
            }
        }
    }

    /** @param  string  $later subsets of `$size` items that make up what the earlier one lacks */
    private function meet(string $earlier, string $later, int $size): void
    {
        $first = self::choices($earlier);
        $last = $first === [] ? -1 : $first[count($first) - 1][0];
        foreach ($size > 0 ? str_split($later, 2 * $size) : [''] as $subset) {
            if (--$this->left < 0) {
                return;
            }
            $second = self::choices($subset);
            if ($first === [] && $second === []) {
                continue;
            }
            if ($second === [] || ($second[0][0] > $last && $this->follows($second, $first))) {
                $this->consider([...$first, ...$second]);
            }
        }
    }

    /**
     * Of equal items, those of the later half go on where those of the earlier one end.
     *
     * @param list<array{int, int}> $later
     * @param list<array{int, int}> $earlier
     */
    private function follows(array $later, array $earlier): bool
    {
        $in = [];
        foreach ([...$earlier, ...$later] as [$item]) {
            $in[$item] = true;
        }
        foreach ($later as [$item]) {
            if ($this->elder[$item] >= 0 && ! isset($in[$this->elder[$item]])) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<array{int, int}>  $choices */
    private function consider(array $choices): void
    {
        $this->found++;
        if ($this->best === [] || $this->rank($choices) < $this->rank($this->best)) {
            $this->best = $choices;
        }
    }

    /**
     * Fewest items first, then oldest.
     *
     * @param list<array{int, int}> $choices
     * @return array{int, list<string>, list<string>, list<int>}
     */
    private function rank(array $choices): array
    {
        return [
            count($choices),
            array_map(fn (array $choice): string => $this->items[$choice[0]]->dueDate, $choices),
            array_map(fn (array $choice): string => $this->items[$choice[0]]->document, $choices),
            array_column($choices, 1),
        ];
    }

    /** Whether an item of the best set could be exchanged for an equal one outside it. */
    private function hasTwin(): bool
    {
        $in = array_sum(array_map(static fn (array $choice): int => 1 << $choice[0], $this->best));
        foreach ($this->elders as $place => $elders) {
            if (($in >> $place & 1) === 0 && ($in & $elders) !== 0) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{int, int}> */
    private static function choices(string $subset): array
    {
        $choices = [];
        for ($at = 0; $at < strlen($subset); $at += 2) {
            $choices[] = [ord($subset[$at]), ord($subset[$at + 1])];
        }

        return $choices;
    }
}
