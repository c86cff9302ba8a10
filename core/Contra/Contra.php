<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/**
 * What of a pair can be set off (R7): own-side credits are matched first, then the lesser of what is open on both sides, oldest due first,
 * the last in part.
 */
final class Contra
{
    /** @var list<LeftOfPair> */
    private array $left = [];

    /** @param  array<int, Money>  $heldBack of an item, in its currency, by item */
    private function __construct(
        private readonly Pair $pair,
        private readonly string $asOf,
        private readonly PairChoices $choices,
        private readonly array $heldBack,
    ) {}

    /**
     * @param string $asOf day of the run
     * @param array<int, Money> $heldBack of an item by a person's choice, in its currency, by item
     * @return array{?Offset, list<LeftOfPair>} what is set off, if anything, and what stays
     */
    public static function of(Pair $pair, string $asOf, PairChoices $choices = new PairChoices, array $heldBack = []): array
    {
        $rule = new self($pair, $asOf, $choices, $heldBack);
        $offset = $rule->offset();

        return [$offset, $rule->left];
    }

    private function offset(): ?Offset
    {
        $inForce = array_values(array_filter($this->pair->agreements, fn (Agreement $of): bool => $of->isInForce($this->asOf)));
        $why = match (true) {
            $this->pair->blocked !== '' => "customer blocked: {$this->pair->blocked}",
            count($inForce) > 1 => "two agreements are in force: {$inForce[0]->reference}, {$inForce[1]->reference}",
            $inForce !== [] => '',
            $this->pair->agreements !== [] => "no agreement is in force, {$this->pair->agreements[0]->reference} is for other days",
            default => 'no agreement is on file (IAS 32.42)',
        };
        $scope = $inForce[0]->scope ?? Scope::All;
        $debits = $this->debits($scope);
        $credits = $this->credits();
        [$bills, $lessening] = $this->bills($scope);
        $owed = $this->sum($debits)->minus($this->sum($credits));
        $owing = self::open($bills, $owed)->minus(self::open($lessening, $owed));
        $lesser = Money::least($owed, $owing);
        if ($why === '' && ! $lesser->isPositive()) {
            $why = $owed->isPositive() ? 'nothing is open on the supplier\'s side' : 'nothing is open on the customer\'s side';
        }
        if ($why !== '') {
            $this->stays($lesser, $debits, $why);

            return null;
        }
        [$first, $rest] = self::take($debits, $this->sum($credits));
        [, $open] = self::takeBills($bills, self::open($lessening, $owed));
        $whole = array_column($bills, null, 'id');

        [$taken] = self::take(self::lessened($rest, $first), $lesser);
        // Nobody has matched the supplier's credits yet: what they lessen stays open on the bills.
        $parts = array_map(
            static fn (BillPart $part): BillPart => new BillPart($whole[$part->bill->id], $part->amount, $part->base),
            self::takeBills($open, $lesser)[0],
        );
        assert($taken !== [] && $parts !== []);

        return new Offset($this->document(), $this->pair->party, $inForce[0], $first, $credits, $taken, $parts);
    }

    private function document(): string
    {
        return implode('-', [
            'CT'.str_replace('-', '', $this->asOf),
            $this->pair->party->customer->number,
            $this->pair->party->supplier->number,
            $this->pair->party->currency->code,
        ]);
    }

    /** @return list<OffsetPart> what can be taken of the customer's debits, oldest due first */
    private function debits(Scope $scope): array
    {
        $parts = [];
        $items = array_filter($this->pair->items, static fn (OpenItem $item): bool => $item->isDebit());
        usort($items, OpenItem::byAge(...));
        foreach ($items as $item) {
            $contested = $this->pair->contested[$item->id] ?? Money::zero($this->pair->party->currency);
            $free = $item->takeable->minus($contested);
            if ($contested->isPositive()) {
                $this->leave($item->document, $item->id, Money::least($contested, $item->takeable), $item, 'contested');
            }
            if (isset($this->heldBack[$item->id])) {
                $held = Money::least($this->heldBack[$item->id], $free);
                $this->leave($item->document, $item->id, $held, $item, $this->choices->items[$item->id]->why());
                $free = $free->minus($held);
            }
            if ($scope === Scope::Due && $item->dueDate > $this->asOf) {
                $this->leave($item->document, $item->id, $free, $item, "not due before {$item->dueDate}");
            } elseif ($free->isPositive()) {
                $parts[] = new OffsetPart($item, $free);
            }
        }

        return $parts;
    }

    /** @return list<OffsetPart> the customer's own credits, oldest first */
    private function credits(): array
    {
        $items = array_filter($this->pair->items, fn (OpenItem $item): bool => ! $item->isDebit() && $item->date <= $this->asOf);
        usort($items, OpenItem::byAge(...));
        $parts = [];
        foreach ($items as $item) {
            $held = Money::least($this->heldBack[$item->id] ?? Money::zero($this->pair->party->currency), $item->takeable);
            if ($held->isPositive()) {
                $this->leave($item->document, $item->id, $held, $item, $this->choices->items[$item->id]->why());
            }
            if ($item->takeable->isMoreThan($held)) {
                $parts[] = new OffsetPart($item, $item->takeable->minus($held));
            }
        }

        return $parts;
    }

    /** @return array{list<Bill>, list<Bill>} bills, and the supplier's credits that lessen them, oldest due first */
    private function bills(Scope $scope): array
    {
        $bills = $credits = [];
        foreach ($this->pair->bills as $bill) {
            $choice = $this->choices->bills[$bill->id] ?? null;
            $out = $choice === null ? null : $bill->part($choice->staysOut($bill->open));
            if ($choice !== null && $out !== null && $out->amount->isPositive() && $bill->date <= $this->asOf && ! $bill->blocked) {
                $this->left[] = new LeftOfPair($this->pair->party, $bill->document, null, $out->amount, $out->base, $choice->why());
                $bill = $bill->less($out);
            }
            if ($bill->date > $this->asOf || ! $bill->open->isPositive()) {
                continue;
            }
            if ($bill->isCredit) {
                $credits[] = $bill;
            } elseif ($bill->blocked) {
                $why = 'the bill is being paid already';
                $this->left[] = new LeftOfPair($this->pair->party, $bill->document, null, $bill->open, $bill->carried, $why);
            } elseif ($scope === Scope::Due && $bill->dueDate > $this->asOf) {
                $why = "the bill is not due before {$bill->dueDate}";
                $this->left[] = new LeftOfPair($this->pair->party, $bill->document, null, $bill->open, $bill->carried, $why);
            } else {
                $bills[] = $bill;
            }
        }
        usort($bills, Bill::byAge(...));

        return [$bills, $credits];
    }

    /** @param  list<OffsetPart>  $parts */
    private function sum(array $parts): Money
    {
        return Money::sum(array_map(static fn (OffsetPart $part): Money => $part->amount, $parts), $this->pair->party->currency);
    }

    /** @param  list<Bill>  $bills */
    private static function open(array $bills, Money $like): Money
    {
        return Money::sum(array_map(static fn (Bill $bill): Money => $bill->open, $bills), $like->currency);
    }

    /**
     * @param list<OffsetPart> $parts
     * @return array{list<OffsetPart>, list<OffsetPart>} what makes the amount from the front, and what is left
     */
    private static function take(array $parts, Money $amount): array
    {
        $taken = $rest = [];
        foreach ($parts as $part) {
            if ($amount->isZero()) {
                $rest[] = $part;

                continue;
            }
            $some = Money::least($amount, $part->amount);
            if ($some->isPositive()) {
                $taken[] = new OffsetPart($part->item, $some);
            }
            if ($part->amount->isMoreThan($some)) {
                $rest[] = new OffsetPart($part->item, $part->amount->minus($some));
            }
            $amount = $amount->minus($some);
        }

        return [$taken, $rest];
    }

    /**
     * What the own credits have taken of an item is moved off it before.
     *
     * @param list<OffsetPart> $rest
     * @param list<OffsetPart> $first
     * @return list<OffsetPart>
     */
    private static function lessened(array $rest, array $first): array
    {
        $taken = [];
        foreach ($first as $part) {
            $taken[$part->item->id] = $part->item->less($part->amount, $part->item->moves($part->amount));
        }

        return array_map(
            static fn (OffsetPart $part): OffsetPart => new OffsetPart($taken[$part->item->id] ?? $part->item, $part->amount),
            $rest,
        );
    }

    /**
     * @param list<Bill> $bills
     * @return array{list<BillPart>, list<Bill>} what makes the amount from the front, and what is left
     */
    private static function takeBills(array $bills, Money $amount): array
    {
        $taken = $rest = [];
        foreach ($bills as $bill) {
            if ($amount->isZero()) {
                $rest[] = $bill;

                continue;
            }
            $some = Money::least($amount, $bill->open);
            $part = $bill->part($some);
            if ($some->isPositive()) {
                $taken[] = $part;
            }
            if ($bill->open->isMoreThan($some)) {
                $rest[] = $bill->less($part);
            }
            $amount = $amount->minus($some);
        }

        return [$taken, $rest];
    }

    private function leave(string $document, int $itemId, Money $amount, OpenItem $of, string $why): void
    {
        if ($amount->isPositive()) {
            $this->left[] = new LeftOfPair($this->pair->party, $document, $itemId, $amount, $of->moves($amount), $why);
        }
    }

    /**
     * The pair as a whole stays.
     *
     * @param list<OffsetPart> $debits
     */
    private function stays(Money $lesser, array $debits, string $why): void
    {
        $amount = $lesser->isPositive() ? $lesser : Money::zero($lesser->currency);
        $base = array_map(static fn (OffsetPart $part): Money => $part->item->moves($part->amount), self::take($debits, $amount)[0]);
        $currency = $this->pair->items === [] ? $lesser->currency : $this->pair->items[0]->base->currency;
        $this->left = [new LeftOfPair($this->pair->party, '', null, $amount, Money::sum($base, $currency), $why)];
    }
}
