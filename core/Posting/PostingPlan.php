<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Generator;
use LogicException;

/**
 * Everything that one posting would write, worked out before anything is written: vouchers, new items, new matches, what is taken
 * back, and the facts beside them. A rehearsal shows it; one action posts it. Made by a PlanBuilder.
 */
final readonly class PostingPlan
{
    /** What a person or the program says of a posting. */
    private const WORDS = '~"(?:reason|description|text|evidence)":(?:"(?:[^"\\\\]++|\\\\.)*+"|null),?~';

    /**
     * @param Subject $about what the posting comes to; its key is the result
     * @param list<PlannedSettlement> $settlements
     * @param list<PlannedVoucher> $vouchers
     * @param list<NewItem> $items
     * @param list<PlannedMatch> $matches
     * @param list<UndoneMatch> $undone
     * @param list<Fact> $facts
     *
     * @throws LogicException when an item, match or fact names a row that the plan does not make
     */
    public function __construct(
        public Subject $about,
        public array $settlements,
        public array $vouchers,
        public array $items,
        public array $matches,
        public array $undone,
        public array $facts,
        public PlanNotes $notes,
    ) {
        foreach ($items as $item) {
            isset($vouchers[$item->voucher]) || throw new LogicException("{$item->head->title()} has no voucher in the plan.");
        }
        foreach ($matches as $match) {
            foreach ([$match->debit, $match->credit] as $ref) {
                $ref->inBooks() !== null ||
                    isset($items[$ref->place()]) ||
                    throw new LogicException('A match names an item that is not in the plan.');
            }
        }
    }

    public function isEmpty(): bool
    {
        return $this->vouchers === [] && $this->items === [] && $this->matches === [] && $this->undone === [] && $this->facts === [];
    }

    /**
     * Names the plan and what it was worked out from: what a person saw is what is posted, or it is refused. Words that a person may
     * still be typing are no part of it.
     *
     * @return string SHA-256
     */
    public function digest(): string
    {
        $hash = hash_init('sha256');
        // Piece by piece: a run of thousands is large.
        foreach ($this->pieces() as $part => $piece) {
            $json = json_encode($piece, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
            $said = preg_replace(self::WORDS, '', $json) ?? throw new LogicException(
                'What a plan says cannot be read: '.preg_last_error_msg(),
            );
            hash_update($hash, "{$part} {$said}\n");
        }

        return hash_final($hash);
    }

    /** @return Generator<string, mixed> what it consists of, in small pieces */
    private function pieces(): Generator
    {
        foreach ($this->vouchers as $place => $planned) {
            foreach ($planned->voucher->lines as $line) {
                yield "line {$place}" => $line;
            }
            yield 'voucher' => [$planned->voucher->date, $planned->settlement, $planned->reverses, $planned->mirrors, $planned->run];
        }
        foreach ([$this->settlements, $this->items, $this->matches, $this->undone] as $rows => $pieces) {
            foreach ($pieces as $piece) {
                yield "row {$rows}" => $piece;
            }
        }
        foreach ($this->facts as $fact) {
            foreach (get_object_vars($fact) as $name => $said) {
                if (! is_array($said)) {
                    yield $fact::class => [$name => $said];

                    continue;
                }
                foreach ($said as $key => $piece) {
                    yield $fact::class => [$name => [$key => $piece]];
                }
            }
        }
        foreach ($this->notes->seen() as $seen) {
            yield 'seen' => $seen;
        }
    }

    /** @return list<Voucher> in the order in which they are written */
    public function vouchers(): array
    {
        return array_map(static fn (PlannedVoucher $planned): Voucher => $planned->voucher, $this->vouchers);
    }

    /** What it adds to an account of the ledger, base currency, debit-positive. */
    public function onAccount(Account $account, Currency $base): Money
    {
        return Money::sum(array_map(static fn (Voucher $voucher): Money => $voucher->effectOn($account), $this->vouchers()), $base);
    }

    /**
     * What it adds to the customers' total on a control account, base currency, debit-positive.
     *
     * @param ?int $customerId of one customer only; null: of all
     */
    public function onCustomers(Account $control, Currency $base, ?int $customerId = null): Money
    {
        $of = array_filter(
            $this->items,
            static fn (NewItem $item): bool => $item->head->account->controlAccountId === $control->id &&
                ($customerId === null || $item->head->account->customerId === $customerId),
        );

        return Money::sum(array_map(static fn (NewItem $item): Money => $item->effect(), $of), $base);
    }

    /** What it adds to the result of the year, base currency, a profit above zero. */
    public function onResult(Currency $base): Money
    {
        $result = Money::zero($base);
        foreach ($this->vouchers() as $voucher) {
            foreach ($voucher->lines as $line) {
                $result = $line->account->type?->isResult() === true ? $result->minus($line->base) : $result;
            }
        }

        return $result;
    }

    /**
     * Nothing takes effect in a locked period (R13), whatever made the plan.
     *
     * @throws Refusal when one of its days is locked
     */
    public function refuseLocked(LockedDays $locked): void
    {
        $days = [
            ...array_map(static fn (Voucher $voucher): string => $voucher->date, $this->vouchers()),
            ...array_map(static fn (NewItem $item): string => $item->head->date, $this->items),
            ...array_map(static fn (PlannedMatch $match): string => $match->date, $this->matches),
            ...array_map(static fn (UndoneMatch $match): string => $match->date, $this->undone),
        ];
        if ($days !== []) {
            $locked->refuse(min($days), 'What is to be posted');
        }
    }
}
