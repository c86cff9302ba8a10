<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\OpenItem;
use LogicException;

/**
 * Puts a posting plan together. It follows what the plan has taken of each item so far, so that a rule that goes on from there sees the
 * item as the plan leaves it.
 */
final class PlanBuilder
{
    /** @var list<PlannedSettlement> */
    private array $settlements = [];

    /** @var list<PlannedVoucher> */
    private array $vouchers = [];

    /** @var list<NewItem> */
    private array $items = [];

    /** @var list<PlannedMatch> */
    private array $matches = [];

    /** @var array<int, UndoneMatch> by the match */
    private array $undone = [];

    /** @var list<Fact> */
    private array $facts = [];

    /** @var list<TrailEntry> */
    private array $trail = [];

    /** @var list<string> */
    private array $warnings = [];

    /** @var array<int, OpenItem> items of which the plan takes something, as they were before it, by id */
    private array $before = [];

    /** @var array<int, int> what the plan takes of an item, minor units of its currency, by id */
    private array $taken = [];

    /** @var array<int, int> what that moves off, minor units of base currency, by id */
    private array $moved = [];

    /** @var array<string, list<GivenBack>> by settlement, day and the voucher that booked them */
    private array $givenBack = [];

    private bool $oneSided = false;

    /** @return int its place */
    public function settlement(int $customerId, string $date): int
    {
        $this->settlements[] = new PlannedSettlement($customerId, $date);

        return count($this->settlements) - 1;
    }

    /**
     * @param ?int $settlement place of the settlement that causes it
     * @return int its place
     */
    public function voucher(Voucher $voucher, ?int $settlement = null): int
    {
        $this->vouchers[] = new PlannedVoucher($voucher, $settlement);

        return count($this->vouchers) - 1;
    }

    /**
     * A voucher that belongs to a posted run, and goes back with it.
     *
     * @return int its place
     */
    public function voucherOfRun(Voucher $voucher, int $run): int
    {
        $this->vouchers[] = new PlannedVoucher($voucher, run: $run);

        return count($this->vouchers) - 1;
    }

    /**
     * Takes a posted voucher back by its mirror.
     *
     * @return int its place
     */
    public function mirror(StandingVoucher $posted, string $date): int
    {
        $this->vouchers[] = new PlannedVoucher($posted->voucher->mirrored($date, "Reversal of {$posted->number}"), reverses: $posted->id);

        return count($this->vouchers) - 1;
    }

    /**
     * Takes a voucher of the plan back by its mirror on another day.
     *
     * @param int $place of the voucher
     */
    public function mirrorOf(int $place, string $date, string $text): void
    {
        $this->vouchers[] = new PlannedVoucher($this->vouchers[$place]->voucher->mirrored($date, $text), mirrors: $place);
    }

    /** A new item, as it stands once the plan is posted. */
    public function item(NewItem $item): OpenItem
    {
        $this->items[] = $item;

        return OpenItem::planned(Ref::planned(count($this->items) - 1), $item->head, $item->amount, $item->base);
    }

    /** A new item whose amounts are those of a rule, carried by a voucher of the plan. */
    public function newItem(ItemHead $head, Money $amount, Money $base, int $voucher): OpenItem
    {
        return $this->item(new NewItem($head, $amount, $base, $voucher));
    }

    /**
     * @param ?int $settlement place of the settlement that it belongs to
     *
     * @throws Refusal when the plan would take more of an item than is open
     */
    public function match(string $date, OpenItem $debit, OpenItem $credit, MatchedAmounts $of, ?int $settlement = null): void
    {
        $this->matches[] = new PlannedMatch($date, $debit->ref, $credit->ref, $of->amount, $of->debitBase, $of->creditBase, $settlement);
        foreach ([[$debit, $of->debitBase], [$credit, $of->creditBase]] as [$item, $base]) {
            $this->giveBack($item, $of->amount, $date, $settlement);
            $this->take($item, $of->amount, $base);
        }
    }

    /** An item as the plan leaves it so far. */
    public function asLeft(OpenItem $item): OpenItem
    {
        $before = $this->before[$item->id] ?? null;

        return $before === null ? $item : $before->less(
            Money::ofMinor($this->taken[$item->id], $before->amount->currency),
            Money::ofMinor($this->moved[$item->id], $before->base->currency),
        );
    }

    private function moveOff(OpenItem $item, int $amount, int $base): void
    {
        $this->before[$item->id] ??= $item;
        $this->taken[$item->id] = ($this->taken[$item->id] ?? 0) + $amount;
        $this->moved[$item->id] = ($this->moved[$item->id] ?? 0) + $base;
    }

    public function undo(int $matchId, string $date, string $reason): void
    {
        $this->undone[$matchId] = new UndoneMatch($matchId, $date, $reason);
    }

    public function fact(Fact $fact): void
    {
        $this->facts[] = $fact;
    }

    /** @param  array<string, string>  $details */
    public function trail(string $what, Subject $about, string $why = '', array $details = []): void
    {
        $this->trail[] = new TrailEntry($what, $about, $why, $details);
    }

    public function warn(string ...$warnings): void
    {
        array_push($this->warnings, ...array_values($warnings));
    }

    /** It puts one side right where the other is: control account and customers move apart or together by it. */
    public function correctsOneSide(): void
    {
        $this->oneSided = true;
    }

    /** @param  Subject  $about what the posting comes to */
    public function build(Subject $about): PostingPlan
    {
        $this->postGivenBack();
        $this->oneSided || $this->refuseApart();
        $seen = [];
        foreach ($this->before as $item) {
            if ($item->ref->inBooks() !== null && ! $item->amount->isZero()) {
                $seen[] = $item;
            }
        }
        $notes = new PlanNotes($this->trail, $this->warnings, $seen);

        return new PostingPlan(
            $about,
            $this->settlements,
            $this->vouchers,
            $this->items,
            $this->matches,
            array_values($this->undone),
            $this->facts,
            $notes,
        );
    }

    /** The part of an item that is settled gives back its share of what stands on it unrealised (R9). */
    private function giveBack(OpenItem $item, Money $part, string $date, ?int $settlement): void
    {
        if ($item->unrealised === [] || ! $part->isPositive() || $part->isMoreThan($this->asLeft($item)->takeable)) {
            return;
        }
        foreach ($item->unrealised as $unrealised) {
            $difference = $this->asLeft($unrealised->difference);
            $rest = $difference->base->minus(Money::ofMinor($difference->position->allMoved, $difference->base->currency));
            $share = $rest->share($part, $this->asLeft($item)->takeable);
            if ($share->isPositive()) {
                $day = max($date, $difference->date);
                $this->givenBack["{$settlement} {$day} {$unrealised->voucher}"][] = new GivenBack(
                    $unrealised,
                    $item->ref,
                    $share,
                    $day,
                    $settlement,
                );
                $this->moveOff($difference, 0, $share->minor);
            }
        }
    }

    /**
     * One voucher for what one run booked and one settlement gives back, so that the run can be taken back by itself; the items that give
     * back and those that stood use each other up.
     */
    private function postGivenBack(): void
    {
        foreach ($this->givenBack as $together) {
            $lines = array_merge(...array_map(static fn (GivenBack $of): array => $of->lines(), $together));
            assert($lines !== []);
            [$day, $settlement] = [$together[0]->date, $together[0]->settlement];
            $voucher = $this->voucher(new Voucher($day, 'Unrealised exchange differences given back on settlement', $lines), $settlement);
            foreach ($together as $of) {
                $difference = $of->unrealised->difference;
                $nil = Money::zero($difference->amount->currency);
                $back = $this->item(new NewItem($of->head(), $nil, $of->share, $voucher, corrects: $of->source));
                [$debit, $credit] = $difference->isDebit() ? [$difference, $back] : [$back, $difference];
                $this->matches[] = new PlannedMatch($day, $debit->ref, $credit->ref, $nil, $of->share, $of->share, $settlement);
            }
        }
        $this->givenBack = [];
    }

    private function take(OpenItem $item, Money $amount, Money $base): void
    {
        $standing = $this->asLeft($item);
        if ($amount->isMoreThan($standing->takeable)) {
            throw Refusal::changed(
                "{$item->title()} has {$standing->takeable->grouped()} {$amount->currency->code} open, and {$amount->grouped()} was to "
                    .'be settled of it.',
            );
        }
        $this->moveOff($item, $amount->minor, $base->minor);
    }

    /**
     * Both sides move by the same, on every control account: what a plan writes is two-sided by construction.
     *
     * @throws LogicException when they do not: the rule that made it is wrong
     */
    private function refuseApart(): void
    {
        $apart = [];
        foreach ($this->vouchers as $planned) {
            foreach ($planned->voucher->lines as $line) {
                if ($line->account->carriesCustomers()) {
                    $apart[$line->account->id] = ($apart[$line->account->id] ?? 0) + $line->base->minor;
                }
            }
        }
        foreach ($this->items as $item) {
            $id = $item->head->account->controlAccountId;
            $apart[$id] = ($apart[$id] ?? 0) - $item->effect()->minor;
        }
        if (array_filter($apart) !== []) {
            throw new LogicException('Control account and customers would move apart: '.json_encode($apart));
        }
    }
}
