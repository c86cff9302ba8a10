<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Calendar\Day;
use Closure;

/**
 * Finds for each posting the item that it stands for (R12), test after test: entry number; document and amount; document and
 * customer; document; one posting against many items by batch or by sum; amount and date within a window. Lines that agree in all at
 * once are let go as they stream past, so that memory grows with what does not agree and not with the books.
 */
final class Pairing
{
    private const COLLECTED = 1_000;

    /** @var list<Pair> pairs that may differ as of the day */
    public array $pairs = [];

    /** @var array<string, int> how many pairs each test made */
    public array $counts = [];

    /** @var list<ProofLine> lines of which a person said that they have no counterpart */
    public array $apart = [];

    /** @var list<Pair> documents with an accrual, of which a posting may still be missing */
    private array $passing = [];

    /** @var array<int, ProofLine> */
    private array $postings = [];

    /** @var array<int, ProofLine> */
    private array $items = [];

    /** @var list<Pair> the first pairs that the test of interest made, agreeing ones too */
    public array $collected = [];

    /** @param  ?PairedBy  $collect the test of which pairs are kept to be looked at */
    public function __construct(
        private readonly string $asOf,
        private readonly int $windowDays,
        private readonly bool $itemsNameEntries,
        private readonly ?PairedBy $collect = null,
    ) {
        foreach (PairedBy::cases() as $by) {
            $this->counts[$by->value] = 0;
        }
    }

    /**
     * Takes the lines of one document, and postings without one of which it alone names the entry. Those that agree in entry and amount
     * pair off at once, and where no imported item names an entry, those that agree in document and amount.
     *
     * @param non-empty-list<ProofLine> $lines
     */
    public function takeDocument(array $lines): void
    {
        if (count($lines) === 2 && $lines[0]->book !== $lines[1]->book && $lines[0]->amount === $lines[1]->amount) {
            $by = $this->atFirstSight($lines[0], $lines[1]);
            if ($by !== null) {
                $this->letGo($lines[0], $lines[1], $by);

                return;
            }
        }
        if (count($lines) === 1) {
            $this->wait($lines[0]);

            return;
        }
        usort($lines, ProofLine::order(...));
        $named = array_values(array_filter($lines, static fn (ProofLine $line): bool => $line->document !== ''));
        if ($named !== []) {
            if ($this->passing($named)) {
                return;
            }
            $this->reversed($named);
            self::markTwins($named);
            foreach ([PairedBy::Entry, PairedBy::DocumentAndAmount] as $by) {
                $this->pairOff($named, $by);
            }
            $this->byDocumentSum($named);
            $this->takenBack($named);
        }
        foreach ($lines as $line) {
            if (! $line->paired) {
                $this->wait($line);
            }
        }
    }

    /**
     * A posting that was taken back on the other side of the day, such as an accrual, stands for one that is late: with all else of the
     * document the two are one pair.
     *
     * @param list<ProofLine> $lines of one document
     */
    private function passing(array $lines): bool
    {
        $entries = [];
        foreach ($lines as $line) {
            if ($line->book === Book::Ledger && $line->reverses === '') {
                $entries[$line->entry] = $line->date;
            }
        }
        $passes = fn (ProofLine $line): bool => $line->book === Book::Ledger && isset($entries[$line->reverses]) &&
            $this->asOf >= $line->date !== $entries[$line->reverses] <= $this->asOf;
        if (array_filter($lines, $passes) === []) {
            return false;
        }
        $postings = array_values(array_filter($lines, static fn (ProofLine $line): bool => $line->book === Book::Ledger));
        $items = array_values(array_filter($lines, static fn (ProofLine $line): bool => $line->book === Book::Subledger));
        $pair = new Pair($postings, $items, PairedBy::DocumentSum);
        if (self::sum($pair->postings) === self::sum($pair->items)) {
            $this->pair($pair->postings, $pair->items, $pair->by);
        } else {
            $this->passing[] = $pair;
            foreach ($lines as $line) {
                $line->paired = true;
            }
        }

        return true;
    }

    /** The late posting of a document with an accrual, where it does not bear the document: the only one of what is missing. */
    private function late(Pair $pair): ?ProofLine
    {
        $missing = self::sum($pair->items) - self::sum($pair->postings);
        $found = array_values(array_filter($this->postings, static fn (ProofLine $posting): bool => $posting->amount === $missing));

        return count($found) === 1 ? $found[0] : null;
    }

    private function wait(ProofLine $line): void
    {
        $line->book === Book::Ledger ? ($this->postings[$line->id] = $line) : ($this->items[$line->id] = $line);
    }

    /**
     * Lines that a person put together, whatever the tests say.
     *
     * @param non-empty-list<ProofLine> $lines
     */
    public function byHand(array $lines): void
    {
        $in = static fn (Book $book): Closure => static fn (ProofLine $line): bool => $line->book === $book;
        $of = static fn (Book $book): array => array_values(array_filter($lines, $in($book)));
        $this->pair($of(Book::Ledger), $of(Book::Subledger), PairedBy::Hand);
    }

    /** A line of which a person said that its counterpart is none. It finds no other. */
    public function keepApart(ProofLine $line): void
    {
        $this->apart[] = $line;
    }

    /** Runs the tests on what did not agree at first sight, up to the ones that need a look at other accounts. */
    public function pairByName(): void
    {
        $this->byEntry();
        $this->oneByOne(
            PairedBy::DocumentAndAmount,
            static fn (ProofLine $line): string => $line->document === '' ? '' : $line->document."\0".$line->amount,
        );
        $this->oneByOne(
            PairedBy::DocumentAndCustomer,
            static fn (ProofLine $line): string => $line->document === '' || $line->customer === ''
                ? ''
                : $line->document."\0".$line->customer,
        );
        $this->oneByOne(PairedBy::Document, static fn (ProofLine $line): string => $line->document);
    }

    /** Tests that only the amounts speak for; run after duplicates and postings on wrong accounts have been taken out. */
    public function pairByAmount(): void
    {
        foreach ($this->passing as $pair) {
            $late = $pair->items === [] ? null : $this->late($pair);
            $this->pair($late === null ? $pair->postings : [...$pair->postings, $late], $pair->items, $pair->by);
        }
        $this->bySum(static fn (ProofLine $item): string => $item->date."\0".$item->kind);
        $this->bySum(static fn (ProofLine $item): string => $item->date."\0".$item->kind."\0".$item->customer);
        $this->byWindow();
    }

    /** @return list<ProofLine> postings without a counterpart, oldest first */
    public function leftPostings(): array
    {
        return $this->left($this->postings);
    }

    /** @return list<ProofLine> items without a counterpart, oldest first */
    public function leftItems(): array
    {
        return $this->left($this->items);
    }

    /**
     * Takes the extras out: lines without a counterpart of which the same document and amount stands on the same side once more.
     *
     * @return list<ProofLine>
     */
    public function takeExtras(): array
    {
        $extras = [];
        foreach ([&$this->postings, &$this->items] as &$lines) {
            foreach ($this->left(array_filter($lines, static fn (ProofLine $line): bool => $line->twin !== null)) as $line) {
                // Of two that both found nothing the later is the extra.
                if ($line->twin !== null && ($line->twin->paired || ProofLine::order($line->twin, $line) < 0)) {
                    $extras[] = $line;
                    unset($lines[$line->id]);
                }
            }
        }

        return $extras;
    }

    public function takeItem(ProofLine $item): void
    {
        unset($this->items[$item->id]);
    }

    /** The test that two lines of one document and amount pass without a look at any other line. */
    private function atFirstSight(ProofLine $one, ProofLine $other): ?PairedBy
    {
        if ($one->entry !== '' && $one->entry === $other->entry) {
            return PairedBy::Entry;
        }
        if ($one->document === '' || $other->document === '') {
            return null;
        }
        $item = $one->book === Book::Subledger ? $one : $other;

        return $item->entry === '' && ! $this->itemsNameEntries ? PairedBy::DocumentAndAmount : null;
    }

    /** @param  list<ProofLine>  $lines of one document, oldest first */
    private function pairOff(array $lines, PairedBy $by): void
    {
        $byEntry = $by === PairedBy::Entry;
        $waiting = [];
        foreach (array_reverse($lines) as $item) {
            if (
                $item->book === Book::Subledger &&
                ! $item->paired &&
                ($byEntry ? $item->entry !== '' : $item->entry === '' && ! $this->itemsNameEntries)
            ) {
                $waiting[$item->amount."\0".$item->entry][] = $item;
            }
        }
        foreach ($waiting === [] ? [] : $lines as $posting) {
            $key = $posting->amount."\0".($byEntry ? $posting->entry : '');
            if ($posting->book === Book::Ledger && ! $posting->paired && ($waiting[$key] ?? []) !== []) {
                $this->letGo($posting, array_pop($waiting[$key]), $by);
            }
        }
    }

    private function letGo(ProofLine $one, ProofLine $other, PairedBy $by): void
    {
        $one->paired = $other->paired = true;
        $this->counts[$by->value]++;
        [$posting, $item] = $one->book === Book::Ledger ? [$one, $other] : [$other, $one];
        if ($by === $this->collect) {
            $this->collect([$posting], [$item], $by);
        }
        if ($one->date <= $this->asOf !== $other->date <= $this->asOf) {
            $this->pairs[] = new Pair([$posting], [$item], $by);
        }
    }

    /** @param  list<ProofLine>  $lines of one document, oldest first */
    private static function markTwins(array $lines): void
    {
        $first = [];
        foreach ($lines as $line) {
            if ($line->document === '' || $line->paired) {
                continue;
            }
            $key = $line->book->value.$line->amount;
            if (isset($first[$key])) {
                $line->twin = $first[$key];
                $first[$key]->twin ??= $line;
            } else {
                $first[$key] = $line;
            }
        }
    }

    /**
     * @param list<ProofLine> $postings
     * @param list<ProofLine> $items
     */
    private function pair(array $postings, array $items, PairedBy $by): void
    {
        foreach ($postings as $posting) {
            $posting->paired = true;
            unset($this->postings[$posting->id]);
        }
        foreach ($items as $item) {
            $item->paired = true;
            unset($this->items[$item->id]);
        }
        $this->pairs[] = new Pair($postings, $items, $by);
        $this->counts[$by->value]++;
        if ($by === $this->collect) {
            $this->collect($postings, $items, $by);
        }
    }

    /**
     * @param list<ProofLine> $postings
     * @param list<ProofLine> $items
     */
    private function collect(array $postings, array $items, PairedBy $by): void
    {
        if (count($this->collected) < self::COLLECTED) {
            $this->collected[] = new Pair($postings, $items, $by);
        }
    }

    /** Within one entry of several control lines: by document, then amount; what is left goes on to the next test. */
    private function byEntry(): void
    {
        $items = self::group($this->items, static fn (ProofLine $line): string => $line->entry);
        $batches = self::group($this->items, static fn (ProofLine $line): string => $line->batch);
        foreach (
            $items === [] ? [] : self::group($this->postings, static fn (ProofLine $line): string => $line->entry) as $entry => $postings
        ) {
            $named = $items[$entry] ?? [];
            if ($named === []) {
                continue;
            }
            if (count($postings) === 1 && count($named) === 1) {
                $isOfBatch = $postings[0]->batch !== '' && $postings[0]->batch === $named[0]->batch &&
                    $postings[0]->amount !== $named[0]->amount && $postings[0]->amount === self::sum($batches[$named[0]->batch]);
                $isOfBatch || $this->pair($postings, $named, PairedBy::Entry); // one of a batch names the entry for all

                continue;
            }
            foreach (
                [
                    static fn (ProofLine $line): string => $line->document === '' ? '' : $line->document."\0".$line->amount,
                    static fn (ProofLine $line): string => $line->document,
                    static fn (ProofLine $line): string => (string) $line->amount,
                ] as $key
            ) {
                $this->pairLike($postings, $named, $key, PairedBy::Entry);
            }
            $postings = array_values(array_filter($postings, static fn (ProofLine $line): bool => ! $line->paired));
            $named = array_values(array_filter($named, static fn (ProofLine $line): bool => ! $line->paired));
            if (min(count($postings), count($named)) === 1 && self::sum($postings) === self::sum($named)) {
                $this->pair($postings, $named, PairedBy::Entry);
            }
        }
    }

    /** @param  callable(ProofLine): string  $key blank for a line that takes no part */
    private function oneByOne(PairedBy $by, callable $key): void
    {
        $this->pairLike($this->postings, $this->items, $key, $by);
    }

    /**
     * Pairs lines with the same key one against one, oldest first, lines on the same side of the account before others.
     *
     * @param array<ProofLine> $postings
     * @param array<ProofLine> $items
     * @param callable(ProofLine): string $key
     */
    private function pairLike(array $postings, array $items, callable $key, PairedBy $by): void
    {
        $byKey = self::group($items, $key);
        foreach ($byKey === [] ? [] : self::group($postings, $key) as $name => $mine) {
            $theirs = $byKey[$name] ?? [];
            if ($theirs === []) {
                continue;
            }
            foreach (
                [
                    static fn (ProofLine $line): bool => ! $line->paired && $line->amount > 0,
                    static fn (ProofLine $line): bool => ! $line->paired && $line->amount < 0,
                    static fn (ProofLine $line): bool => ! $line->paired,
                ] as $eligible
            ) {
                $left = array_filter($mine, $eligible);
                foreach (array_filter($theirs, $eligible) as $item) {
                    if ($left === []) {
                        break;
                    }
                    $this->pair([array_shift($left)], [$item], $by);
                }
            }
        }
    }

    /**
     * What is left of one document on both sides adds up to the same: one posting for many items, a posting taken back, a correction.
     *
     * @param list<ProofLine> $lines of one document
     */
    private function byDocumentSum(array $lines): void
    {
        $left = array_filter($lines, static fn (ProofLine $line): bool => ! $line->paired);
        $postings = array_values(array_filter($left, static fn (ProofLine $line): bool => $line->book === Book::Ledger));
        $items = array_values(array_filter($left, static fn (ProofLine $line): bool => $line->book === Book::Subledger));
        // What agrees without what was posted to correct it needs no correction.
        foreach ([[self::asGiven($postings), self::asGiven($items)], [$postings, $items]] as [$some, $others]) {
            $oneAgainstOne = count($some) === 1 && count($others) === 1; // entry numbers have the first word there
            if (count($some) + count($others) > 1 && ! $oneAgainstOne && self::sum($some) === self::sum($others)) {
                $this->pair($some, $others, PairedBy::DocumentSum);

                return;
            }
        }
    }

    /**
     * A posting or item and the one that is known to reverse it.
     *
     * @param list<ProofLine> $lines of one document, oldest first
     */
    private function reversed(array $lines): void
    {
        foreach ($lines as $line) {
            foreach ($line->reverses !== '' ? $lines : [] as $other) {
                if (
                    $other->book === $line->book &&
                    $other->entry === $line->reverses &&
                    $other->amount === -$line->amount &&
                    ! $other->paired &&
                    ! $line->paired
                ) {
                    $line->book === Book::Ledger
                        ? $this->pair([$other, $line], [], PairedBy::DocumentSum)
                        : $this->pair([], [$other, $line], PairedBy::DocumentSum);
                }
            }
        }
    }

    /**
     * A line and one that takes it back, on the same side under the same document, are no difference.
     *
     * @param list<ProofLine> $lines of one document, oldest first
     */
    private function takenBack(array $lines): void
    {
        $waiting = [];
        foreach ($lines as $line) {
            if ($line->paired) {
                continue;
            }
            $opposite = $line->book->value.-$line->amount;
            $partner = isset($waiting[$opposite]) ? array_shift($waiting[$opposite]) : null;
            if ($partner !== null) {
                $line->book === Book::Ledger
                    ? $this->pair([$partner, $line], [], PairedBy::DocumentSum)
                    : $this->pair([], [$partner, $line], PairedBy::DocumentSum);
            } else {
                $waiting[$line->book->value.$line->amount][] = $line;
            }
        }
    }

    /** One posting against all the items of its batch. */
    public function byBatch(): void
    {
        $batch = static fn (ProofLine $line): string => $line->batch;
        $items = self::group($this->items, $batch);
        foreach (self::group($this->postings, $batch) as $name => $postings) {
            $theirs = $items[$name] ?? [];
            if ($theirs === []) {
                continue;
            }
            $sum = self::sum($theirs);
            foreach ($postings as $place => $posting) {
                if ($posting->amount === $sum) {
                    $this->pair([$posting], $theirs, PairedBy::Batch);
                    unset($postings[$place]);
                    foreach ($postings as $extra) {
                        // the whole batch posted once more
                        $extra->twin = $extra->amount === $sum ? $posting : $extra->twin;
                    }

                    continue 2;
                }
            }
            $this->pair($postings, $theirs, PairedBy::Batch);
        }
    }

    /**
     * One posting for all items of a day and kind, only if it is the only such posting of that day.
     *
     * @param callable(ProofLine): string $key
     */
    private function bySum(callable $key): void
    {
        $wanted = [];
        foreach (self::group($this->items, $key) as $items) {
            if (count($items) > 1) {
                $wanted[$items[0]->date."\0".self::sum($items)][] = $items;
            }
        }
        foreach (
            self::group($this->postings, static fn (ProofLine $line): string => $line->date."\0".$line->amount) as $name => $postings
        ) {
            if (count($postings) === 1 && count($wanted[$name] ?? []) === 1) {
                $this->pair($postings, $wanted[$name][0], PairedBy::Sum);
            }
        }
    }

    /** Amount equal and dates near, only if neither has a second such. */
    private function byWindow(): void
    {
        $amount = static fn (ProofLine $line): string => (string) $line->amount;
        $items = self::group($this->items, $amount);
        foreach (self::group($this->postings, $amount) as $name => $postings) {
            $near = $suitors = [];
            foreach ($postings as $posting) {
                foreach ($items[$name] ?? [] as $item) {
                    if (abs(Day::between($posting->date, $item->date)) <= $this->windowDays) {
                        $near[$posting->id][] = $item;
                        $suitors[$item->id] = ($suitors[$item->id] ?? 0) + 1;
                    }
                }
            }
            foreach ($postings as $posting) {
                $found = $near[$posting->id] ?? [];
                if (count($found) === 1 && $suitors[$found[0]->id] === 1) {
                    $this->pair([$posting], $found, PairedBy::Window);
                }
            }
        }
    }

    /**
     * @param array<int, ProofLine> $lines
     * @return list<ProofLine>
     */
    private function left(array $lines): array
    {
        usort($lines, ProofLine::order(...));

        return $lines;
    }

    /**
     * @param array<ProofLine> $lines
     * @param callable(ProofLine): string $key
     * @return array<array-key, non-empty-list<ProofLine>> oldest first, lines with a blank key left out
     */
    private static function group(array $lines, callable $key): array
    {
        $groups = [];
        foreach ($lines as $line) {
            $name = $key($line);
            if ($name !== '') {
                $groups[$name][] = $line;
            }
        }
        foreach ($groups as &$group) {
            if (count($group) > 1) {
                usort($group, ProofLine::order(...));
            }
        }

        return $groups;
    }

    /**
     * @param list<ProofLine> $lines
     * @return list<ProofLine> without what was posted to correct them
     */
    private static function asGiven(array $lines): array
    {
        return array_values(array_filter($lines, static fn (ProofLine $line): bool => ! $line->corrects));
    }

    /** @param  array<ProofLine>  $lines */
    private static function sum(array $lines): int
    {
        $sum = 0;
        foreach ($lines as $line) {
            $sum += $line->amount;
        }

        return $sum;
    }
}
