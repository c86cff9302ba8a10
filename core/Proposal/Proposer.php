<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Subledger\Side;

/**
 * Proposes what a receipt or unapplied credit settles: the first way that fits, in the order of R6. Amounts are minor units of its
 * currency.
 */
final readonly class Proposer
{
    /** Among more of them no subset is sought. */
    private const MOST_INSTALMENTS = 10;

    public function __construct(private ProposalPolicy $policy) {}

    /**
     * @param int $amount what of the receipt is unapplied, above zero
     * @param string $valueDate the bank's value date; documents dated after it are left out
     * @param string $remittance what the payer wrote
     * @param list<Candidate> $items open items of the customer in the receipt's currency, the receipt itself left out
     */
    public function propose(int $amount, string $valueDate, string $remittance, array $items): Proposal
    {
        $items = self::openOn($valueDate, $items);
        if ($items === []) {
            return new Proposal(Way::None, [], true, Searched::All, 0, $amount);
        }

        $found =
            $this->quoted($amount, $remittance, $items) ??
            ($this->exact($amount, $items) ??
                ($this->exactNet($amount, $items) ??
                    ($this->sum(Way::AllDue, $amount, self::due($items, $valueDate)) ??
                        ($this->sum(Way::WholeBalance, $amount, $items) ??
                            ($this->withinTolerance($amount, $valueDate, $items) ?? $this->combination($amount, $items))))));

        return $found->byDocument();
    }

    /**
     * What else would fit, in the order of the ways, for a person to choose from; the proposal itself is left out.
     *
     * @param int $amount what of the receipt is unapplied, above zero
     * @param list<Candidate> $items as for propose()
     * @return list<Proposal>
     */
    public function alternatives(int $amount, string $valueDate, string $remittance, array $items, Proposal $proposal): array
    {
        $items = self::openOn($valueDate, $items);
        if ($items === []) {
            return [];
        }
        $all = [$this->quoted($amount, $remittance, $items)];
        foreach ($items as $item) {
            array_push($all, $this->exact($amount, [$item]), $this->exactNet($amount, [$item]));
        }
        array_push(
            $all,
            $this->sum(Way::AllDue, $amount, self::due($items, $valueDate)),
            $this->sum(Way::WholeBalance, $amount, $items),
            $this->withinTolerance($amount, $valueDate, $items),
            $this->combination($amount, $items),
            $this->byOrder($amount, $items, Searched::All),
        );
        $seen = [self::key($proposal) => true];
        $others = [];
        foreach ($all as $found) {
            $other = $found?->byDocument();
            if ($other !== null && $other->settles !== [] && ! isset($seen[self::key($other)])) {
                $seen[self::key($other)] = true;
                $others[] = $other;
            }
        }

        return $others;
    }

    /**
     * Open items filled in an order that a person asks for.
     *
     * @param list<Candidate> $items as for propose()
     */
    public function inOrder(FillOrder $order, int $amount, string $valueDate, array $items): Proposal
    {
        return (new self($this->policy->withOrder($order)))->byOrder(
            $amount,
            self::openOn($valueDate, $items),
            Searched::All,
        )->byDocument();
    }

    /**
     * @param list<Candidate> $items
     * @return list<Candidate> oldest first
     */
    private static function openOn(string $valueDate, array $items): array
    {
        $items = array_values(array_filter($items, static fn (Candidate $item): bool => $item->date <= $valueDate && $item->open > 0));
        usort($items, Candidate::byAge(...));

        return $items;
    }

    private static function key(Proposal $proposal): string
    {
        $parts = array_map(
            static fn (Settles $settles): string => "{$settles->item->id}:{$settles->amount}:{$settles->discount}",
            $proposal->settles,
        );
        sort($parts);

        return implode(' ', $parts);
    }

    /**
     * Every quoted item stays proposed. Where gross or net amounts of all of them make the receipt, they are settled; else they are filled
     * oldest first and the difference is shown.
     *
     * @param non-empty-list<Candidate> $items
     */
    private function quoted(int $amount, string $remittance, array $items): ?Proposal
    {
        $named = $remittance === '' ? [] : array_flip(array_column(ReferenceReader::quoted($remittance, $items), 'id'));
        $quoted = array_values(array_filter($items, static fn (Candidate $item): bool => isset($named[$item->id])));
        if ($quoted === []) {
            return null;
        }
        foreach ([$quoted, ...self::instalments($quoted)] as $some) {
            $sets = $this->makeTogether($amount, $some);
            if ($sets !== []) {
                return new Proposal(Way::Quoted, $sets[0], count($sets) === 1, Searched::All, 0, 0);
            }
        }
        $open = array_sum(array_map(static fn (Candidate $item): int => $item->gross(), $quoted));
        $left = $amount + array_sum(array_map(static fn (Candidate $item): int => min(0, $item->gross()), $quoted)) * -1;
        $settles = [];
        foreach ($quoted as $item) {
            $takes = $item->side === Side::Credit ? $item->open : min($item->open, $left);
            $left -= $item->side === Side::Credit ? 0 : $takes;
            $settles[] = new Settles($item, $takes);
        }

        return new Proposal(Way::QuotedShort, $settles, true, Searched::All, $amount - $open, max(0, $amount - $open));
    }

    /**
     * Quoted documents of which an invoice is taken by some of its instalments: fewest first, the oldest before others. None where none of
     * them has instalments.
     *
     * @param non-empty-list<Candidate> $quoted
     * @return list<non-empty-list<Candidate>>
     */
    private static function instalments(array $quoted): array
    {
        $times = array_count_values(array_map(static fn (Candidate $item): int => $item->id, $quoted));
        $parts = array_keys(array_filter($quoted, static fn (Candidate $item): bool => $times[$item->id] > 1));
        if ($parts === [] || count($parts) > self::MOST_INSTALMENTS) {
            return [];
        }
        $sets = [];
        foreach (range(1, 2 ** count($parts) - 2) as $mask) {
            $left = array_filter($parts, static fn (int $place): bool => (($mask >> $place) & 1) === 0, ARRAY_FILTER_USE_KEY);
            $some = array_values(array_diff_key($quoted, array_flip($left)));
            if ($some !== [] && count(array_unique(array_map(static fn (Candidate $item): int => $item->id, $some))) === count($times)) {
                $sets[] = $some;
            }
        }
        usort($sets, static fn (array $one, array $other): int => count($one) <=> count($other));

        return $sets;
    }

    /**
     * The ways in which all of these items, each gross or net, make the amount; gross first. At most two are sought.
     *
     * @param non-empty-list<Candidate> $items
     * @return list<list<Settles>>
     */
    private function makeTogether(int $amount, array $items): array
    {
        /** @var array<int, list<list<int>>> $reached places of items taken net, by what they still leave of the receipt */
        $reached = [$amount - array_sum(array_map(static fn (Candidate $item): int => $item->gross(), $items)) => [[]]];
        foreach ($items as $place => $item) {
            foreach ($item->discount > 0 ? $reached : [] as $left => $sets) {
                foreach ($sets as $set) {
                    if (count($reached) > 4096) {
                        break 3;
                    }
                    if (count($reached[$left + $item->discount] ?? []) < 2) {
                        $reached[$left + $item->discount][] = [...$set, $place];
                    }
                }
            }
        }

        return array_map(
            static fn (array $net): array => array_map(
                static fn (Candidate $item, int $place): Settles => in_array($place, $net, true)
                    ? Settles::lessDiscount($item)
                    : Settles::inFull($item),
                $items,
                array_keys($items),
            ),
            $reached[0] ?? [],
        );
    }

    /** @param  list<Candidate>  $items */
    private function exact(int $amount, array $items, Way $way = Way::Exact): ?Proposal
    {
        $fit = array_values(
            array_filter(
                $items,
                fn (Candidate $item): bool => $item->side === Side::Debit && $this->fits($amount - $item->gross(), $amount, $way),
            ),
        );

        return $fit === []
            ? null
            : $this->found($way, $amount, [Settles::inFull($fit[0])], count(array_unique(array_column($fit, 'id'))) === 1);
    }

    /** @param  list<Candidate>  $items */
    private function exactNet(int $amount, array $items, Way $way = Way::ExactNet): ?Proposal
    {
        $fit = array_values(
            array_filter($items, fn (Candidate $item): bool => $item->discount > 0 && $this->fits($amount - $item->net(), $amount, $way)),
        );

        return $fit === []
            ? null
            : $this->found($way, $amount, [Settles::lessDiscount($fit[0])], count($fit) === 1);
    }

    /** @param  list<Candidate>  $items */
    private function sum(Way $way, int $amount, array $items): ?Proposal
    {
        $sum = array_sum(array_map(static fn (Candidate $item): int => $item->gross(), $items));

        return $items === [] || ! $this->fits($amount - $sum, $amount, $way)
            ? null
            : $this->found(
                $way,
                $amount,
                array_map(static fn (Candidate $item): Settles => Settles::inFull($item), $items),
                true,
            );
    }

    /** @param  non-empty-list<Candidate>  $items */
    private function withinTolerance(int $amount, string $valueDate, array $items): ?Proposal
    {
        return $this->exact($amount, $items, Way::WithinTolerance) ??
            ($this->exactNet($amount, $items, Way::WithinTolerance) ??
                ($this->sum(Way::WithinTolerance, $amount, self::due($items, $valueDate)) ??
                    $this->sum(Way::WithinTolerance, $amount, $items)));
    }

    /** @param  non-empty-list<Candidate>  $items */
    private function combination(int $amount, array $items): Proposal
    {
        if (count($items) > min($this->policy->combinationItems, CombinationSearch::MOST_ITEMS)) {
            return $this->byOrder($amount, $items, Searched::TooMany);
        }
        $combination = CombinationSearch::find($items, $amount, $this->policy->work);

        return $combination->settles === []
            ? $this->byOrder($amount, $items, $combination->searched)
            : new Proposal(Way::Combination, $combination->settles, $combination->only, $combination->searched, 0, 0);
    }

    /** @param  list<Candidate>  $items */
    private function byOrder(int $amount, array $items, Searched $searched): Proposal
    {
        $debits = $this->policy->order->sort(
            array_values(array_filter($items, static fn (Candidate $item): bool => $item->side === Side::Debit)),
        );
        if ($debits === []) {
            return new Proposal(Way::None, [], true, $searched, 0, $amount);
        }
        $open = array_map(static fn (Candidate $item): int => $item->open, $debits);
        if ($this->policy->order === FillOrder::ProRata && $amount < array_sum($open)) {
            $takes = Rounding::split($amount, $open);
        } else {
            $left = $amount;
            $takes = [];
            foreach ($open as $of) {
                $takes[] = min($of, $left);
                $left -= min($of, $left);
            }
        }
        $settles = [];
        foreach ($debits as $place => $item) {
            if ($takes[$place] > 0) {
                $settles[] = new Settles($item, $takes[$place]);
            }
        }

        return new Proposal(Way::ByOrder, $settles, true, $searched, 0, $amount - array_sum($takes));
    }

    /** @param  list<Settles>  $settles */
    private function found(Way $way, int $amount, array $settles, bool $only): Proposal
    {
        $difference = $amount - array_sum(array_map(static fn (Settles $of): int => $of->cash(), $settles));

        return new Proposal($way, $settles, $only, Searched::All, $difference, max(0, $difference));
    }

    private function fits(int $difference, int $amount, Way $way): bool
    {
        return $way === Way::WithinTolerance ? $this->policy->tolerates($difference, $amount) : $difference === 0;
    }

    /**
     * @param list<Candidate> $items
     * @return list<Candidate>
     */
    private static function due(array $items, string $day): array
    {
        return array_values(array_filter($items, static fn (Candidate $item): bool => $item->dueDate <= $day));
    }
}
