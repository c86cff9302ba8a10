<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/**
 * Finds the set of open items that makes an amount: fewest items first, then oldest (due dates sorted ascending, then document numbers),
 * each item gross or less its available discount, credits included (R6). Limited by work done, never by the clock, so that the same
 * data give the same answer.
 *
 * Few items are searched whole, by meeting in the middle of the list. Among many, sets of two, three, four … items are tried in turn,
 * each as two halves that meet. Of items with equal amounts only the oldest so many are tried; the others make other sets, not better
 * ones.
 */
final class CombinationSearch
{
    /** Items that a search can hold: a bit for each. */
    public const MOST_ITEMS = 62;

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
        $this->items = self::within($candidates, $target);
        $this->left = $work;
        $last = [];
        foreach ($this->items as $place => $candidate) {
            $this->values[] = $candidate->discount > 0 ? [$candidate->gross(), $candidate->net()] : [$candidate->gross()];
            $alike = "{$candidate->gross()} {$candidate->discount}";
            $elder = $last[$alike] ?? -1;
            $this->elder[] = $elder;
            $this->elders[] = $elder < 0 ? 0 : $this->elders[$elder] | (1 << $elder);
            $last[$alike] = $place;
        }
    }

    /**
     * @param list<Candidate> $candidates at most MOST_ITEMS
     * @param int $target minor units, above zero
     * @param int $work subsets and meetings to look at, at most
     * @param int $whole subsets of one half of the list, up to which the list is searched whole
     */
    public static function find(array $candidates, int $target, int $work, int $whole = self::WHOLE): Combination
    {
        $search = new self($candidates, $target, $work);
        $middle = $search->middle($whole);
        $searched = $middle !== null ? $search->whole($middle) : $search->bySize();

        return new Combination(
            array_map($search->settles(...), $search->best),
            $searched === Searched::All && $search->found === 1 && ! $search->hasTwin(),
            $searched,
        );
    }

    /** @param  array{int, int}  $choice item and which of its values */
    private function settles(array $choice): Settles
    {
        return $choice[1] === 1 ? Settles::lessDiscount($this->items[$choice[0]]) : Settles::inFull($this->items[$choice[0]]);
    }

    /**
     * Items that can be in a set that makes the amount: not larger than it and all credits together, and so on until nothing more falls
     * out.
     *
     * @param list<Candidate> $candidates
     * @return list<Candidate>
     */
    private static function within(array $candidates, int $target): array
    {
        do {
            $before = count($candidates);
            $most = array_sum(array_map(static fn (Candidate $item): int => max(0, $item->gross()), $candidates));
            $least = array_sum(array_map(static fn (Candidate $item): int => min(0, $item->net()), $candidates));
            $candidates = array_values(
                array_filter(
                    $candidates,
                    static fn (Candidate $item): bool => $least - min(0, $item->net()) + $item->net() <= $target &&
                        $most - max(0, $item->gross()) + $item->gross() >= $target,
                ),
            );
        } while (count($candidates) < $before);

        return $candidates;
    }

    /** The place that divides the list into halves with subsets as even as can be; null when a half has too many. */
    private function middle(int $whole): ?int
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

        return max($before[$middle], $all / $before[$middle]) <= $whole ? $middle : null;
    }

    private function whole(int $middle): Searched
    {
        $earlier = $this->all(0, $middle);
        $later = $this->all($middle, count($this->items));
        [$head, $next] = self::bySum($later[0]);
        foreach ($earlier[0] as $place => $sum) {
            for ($other = $head[$this->target - $sum] ?? -1; $other >= 0; $other = $next[$other]) {
                if (--$this->left < 0) {
                    return Searched::Limit;
                }
                $this->meet($earlier[1][$place] | $later[1][$other], $earlier[2][$place] | $later[2][$other]);
            }
        }

        return $this->left > 0 ? Searched::All : Searched::Limit;
    }

    /**
     * All subsets of the items between two places.
     *
     * @return array{list<int>, list<int>, list<int>} for each its sum, a bit for each item in it, a bit for each of them that is taken net
     */
    private function all(int $from, int $to): array
    {
        $sums = $masks = $nets = [0];
        for ($item = $from; $item < $to; $item++) {
            $elder = $this->elder[$item];
            foreach ($masks as $place => $mask) {
                // Of equal items those of an earlier part may be missing here; within the part they follow each other.
                if ($elder >= $from && (($mask >> $elder) & 1) === 0) {
                    continue;
                }
                foreach ($this->values[$item] as $which => $value) {
                    $sums[] = $sums[$place] + $value;
                    $masks[] = $mask | (1 << $item);
                    $nets[] = $nets[$place] | ($which << $item);
                }
            }
        }
        $this->left -= count($sums);

        return [$sums, $masks, $nets];
    }

    private function bySize(): Searched
    {
        $sized = [1 => $this->ones()];
        $heads = [];
        for ($size = 2; $size <= count($this->items); $size++) {
            $half = intdiv($size, 2);
            if (! isset($sized[$size - $half])) {
                $before = $sized[$size - $half - 1];
                $last = count($this->items) - 1;
                if (array_sum(array_map(static fn (int $at): int => $last - $at, $before[4])) > $this->left) {
                    return Searched::Limit;
                }
                $sized[$size - $half] = $this->oneMore($before);
            }
            $heads = isset($heads[$half]) ? $heads : [$half => self::bySum($sized[$half][0])];
            [$head, $next] = $heads[$half];
            [$sums, $masks, $nets, , $lasts] = $sized[$size - $half];
            [, $laterMasks, $laterNets, $laterFirsts] = $sized[$half];
            $this->left -= count($sums);
            foreach ($sums as $place => $sum) {
                for ($other = $head[$this->target - $sum] ?? -1; $other >= 0; $other = $next[$other]) {
                    if (--$this->left < 0) {
                        return Searched::Limit;
                    }
                    if ($laterFirsts[$other] > $lasts[$place]) {
                        $this->meet($masks[$place] | $laterMasks[$other], $nets[$place] | $laterNets[$other]);
                    }
                }
                // Any set of more items shows that the best one is not the only one.
                if ($this->found > 1 && count($this->best) < $size) {
                    return Searched::All;
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
     * @return array{list<int>, list<int>, list<int>, list<int>, list<int>} sums, items, items taken net, first and last item of each subset
     *                                                                      of one item
     */
    private function ones(): array
    {
        $sums = $masks = $nets = $places = [];
        foreach ($this->values as $item => $values) {
            foreach ($values as $which => $value) {
                $sums[] = $value;
                $masks[] = 1 << $item;
                $nets[] = $which << $item;
                $places[] = $item;
            }
        }

        return [$sums, $masks, $nets, $places, $places];
    }

    /**
     * The subsets of one item more. Of equal items they hold some that follow each other; whether those before them are in the set is seen
     * when two subsets meet.
     *
     * @param array{list<int>, list<int>, list<int>, list<int>, list<int>} $subsets
     * @return array{list<int>, list<int>, list<int>, list<int>, list<int>}
     */
    private function oneMore(array $subsets): array
    {
        [$before, $beforeMasks, $beforeNets, $beforeFirsts, $beforeLasts] = $subsets;
        $sums = $masks = $nets = $firsts = $lasts = [];
        $count = count($this->items);
        foreach ($before as $place => $sum) {
            $mask = $beforeMasks[$place];
            for ($item = $beforeLasts[$place] + 1; $item < $count; $item++) {
                if (($mask & $this->elders[$item]) !== 0 && (($mask >> $this->elder[$item]) & 1) === 0) {
                    continue;
                }
                foreach ($this->values[$item] as $which => $value) {
                    $sums[] = $sum + $value;
                    $masks[] = $mask | (1 << $item);
                    $nets[] = $beforeNets[$place] | ($which << $item);
                    $firsts[] = $beforeFirsts[$place];
                    $lasts[] = $item;
                }
            }
        }
        $this->left -= count($sums);

        return [$sums, $masks, $nets, $firsts, $lasts];
    }

    /**
     * Where the subsets of a sum stand: the last of them, and for each the one before it, −1 for none.
     *
     * @param list<int> $sums
     * @return array{array<int, int>, array<int, int>}
     */
    private static function bySum(array $sums): array
    {
        $head = $next = [];
        foreach ($sums as $place => $sum) {
            $next[$place] = $head[$sum] ?? -1;
            $head[$sum] = $place;
        }

        return [$head, $next];
    }

    /** A set that makes the amount; it counts if of equal items it holds the oldest. */
    private function meet(int $mask, int $net): void
    {
        if ($mask === 0) {
            return;
        }
        $choices = [];
        foreach ($this->elder as $item => $elder) {
            if ((($mask >> $item) & 1) === 1) {
                if ($elder >= 0 && (($mask >> $elder) & 1) === 0) {
                    return;
                }
                $choices[] = [$item, ($net >> $item) & 1];
            }
        }
        $this->consider($choices);
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
            if ((($in >> $place) & 1) === 0 && ($in & $elders) !== 0) {
                return true;
            }
        }

        return false;
    }
}
