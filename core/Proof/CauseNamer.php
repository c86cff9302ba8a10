<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** Names why a pair differs, and writes each cause as a sentence with its figures. */
final readonly class CauseNamer
{
    public function __construct(private string $asOf, private Currency $base) {}

    /** @param  array<int, int>  $tax tax within items, by item id */
    public function ofPair(Pair $pair, array $tax): ?CauseLine
    {
        $ledger = $this->counted($pair->postings);
        $subledger = $this->counted($pair->items);
        if ($ledger === $subledger) {
            return null;
        }
        $alone = $this->alone($pair);
        if ($alone !== null) {
            return $alone->book === Book::Ledger ? $this->notInSubledger($alone) : $this->notInLedger($alone);
        }
        [$cause, $note] = $pair->straddles($this->asOf)
            ? [Cause::CutOff, $this->cutOff($pair)]
            : $this->difference($pair, $ledger, $subledger, $tax);

        return new CauseLine($cause, $pair->postings, $pair->items, $ledger, $subledger, $note);
    }

    public function extra(ProofLine $line): ?CauseLine
    {
        if ($line->corrects) {
            return $this->notNeeded($line);
        }
        $twin = $line->twin;
        $once =
            $twin === null
                ? ''
                : " and already on {$twin->date}".
                    ($twin->entry === '' || $line->book === Book::Subledger ? '' : " as entry {$twin->entry}");
        $note =
            ($line->book === Book::Ledger ? 'Posted ' : 'With the customer ').
            "on {$line->date}".
            ($line->entry === '' ? '' : " as entry {$line->entry}").
            $once.
            ", {$this->say($line->amount)} each time.";

        return $this->oneSided($line->book === Book::Ledger ? Cause::DuplicateInLedger : Cause::DuplicateInSubledger, $line, $note);
    }

    public function wrongAccount(ProofLine $item, ProofLine $posting, string $account): ?CauseLine
    {
        $amount = $item->countsAt($this->asOf);

        return $amount === 0
            ? null
            : new CauseLine(
                Cause::WrongAccount,
                [$posting],
                [$item],
                0,
                $amount,
                "{$this->say($item->amount)} was posted to {$account} on {$posting->date} as entry {$posting->entry}.",
            );
    }

    public function notInLedger(ProofLine $item): ?CauseLine
    {
        return $item->corrects ? $this->notNeeded($item) : $this->oneSided(
            Cause::NotInLedger,
            $item,
            ucfirst(str_replace('_', ' ', $item->kind)).
                " {$item->document} of {$item->date}, {$this->say($item->amount)}, has no posting".
                ($item->batch === '' ? '.' : "; its batch is {$item->batch}."),
        );
    }

    public function notInSubledger(ProofLine $posting): ?CauseLine
    {
        return $posting->corrects ? $this->notNeeded($posting) : $this->oneSided(
            Cause::NotInSubledger,
            $posting,
            "Entry {$posting->entry} of {$posting->date}, {$this->say($posting->amount)}".
                ($posting->text === '' ? '' : ", “{$posting->text}”").
                ', has no document with a customer.',
        );
    }

    /**
     * @param list<ProofLine> $postings
     * @param list<ProofLine> $items
     */
    public function opening(array $postings, array $items): ?CauseLine
    {
        $ledger = $this->counted($postings);
        $subledger = $this->counted($items);
        $corrections = array_values(array_filter($postings, static fn (ProofLine $line): bool => $line->corrects));
        $corrected = $this->counted($corrections);
        if ($corrected !== 0 && $ledger - $corrected === $subledger) {
            return new CauseLine(Cause::NotNeeded, $corrections, [], $corrected, 0, 'The balances brought forward agree without it.');
        }

        return $ledger === $subledger
            ? null
            : new CauseLine(
                Cause::OpeningDifference,
                $postings,
                $items,
                $ledger,
                $subledger,
                "The ledger brought forward {$this->say($ledger)}, the customers' documents come to {$this->say($subledger)}.",
            );
    }

    /** What was posted here to correct something that is right without it. */
    private function notNeeded(ProofLine $line): ?CauseLine
    {
        $where = $line->book === Book::Ledger ? "Voucher {$line->entry}" : 'The entry with the customer';

        return $this->oneSided(
            Cause::NotNeeded,
            $line,
            "{$where} of {$line->date}, {$this->say($line->amount)}, corrects {$line->document}, which is right without it.",
        );
    }

    /** The one line that counts of a pair whose others, such as an accrual and its mirror, take each other back. */
    private function alone(Pair $pair): ?ProofLine
    {
        $left = [];
        foreach ([...$pair->postings, ...$pair->items] as $line) {
            $back = array_search(-$line->amount, array_map(
                static fn (ProofLine $of): int => $of->book === $line->book ? $of->amount : 0, $left,
            ), true);
            if ($line->countsAt($this->asOf) === 0) {
                continue;
            }
            if ($back !== false) {
                unset($left[$back]);
            } else {
                $left[] = $line;
            }
        }
        $taken = array_filter($pair->postings, static fn (ProofLine $line): bool => $line->reverses !== '');

        return count($left) === 1 && $taken !== [] ? array_values($left)[0] : null;
    }

    private function oneSided(Cause $cause, ProofLine $line, string $note): ?CauseLine
    {
        $amount = $line->countsAt($this->asOf);
        if ($amount === 0) {
            return null;
        }

        return $line->book === Book::Ledger
            ? new CauseLine($cause, [$line], [], $amount, 0, $note)
            : new CauseLine($cause, [], [$line], 0, $amount, $note);
    }

    private function cutOff(Pair $pair): string
    {
        [$items, $postings] = [self::dates($pair->items), self::dates($pair->postings)];
        $note =
            $pair->items === []
                ? "In the ledger on {$postings}."
                : ($pair->postings === []
                    ? "With the customer on {$items}."
                    : "With the customer on {$items}, in the ledger on {$postings}.");
        $later = self::total($pair->items) - self::total($pair->postings);

        return $later === 0 ? $note : $note." The amounts differ too: {$this->say($later)} is still to come.";
    }

    /** @param  list<ProofLine>  $lines */
    private static function dates(array $lines): string
    {
        return implode(', ', array_unique(array_map(static fn (ProofLine $line): string => $line->date, $lines)));
    }

    /**
     * @param array<int, int> $tax
     * @return array{Cause, string}
     */
    private function difference(Pair $pair, int $ledger, int $subledger, array $tax): array
    {
        $figures =
            "Posted as {$this->say($ledger)}, ".
            ($pair->isSingle() ? "document {$pair->items[0]->document} says" : 'the documents come to').
            " {$this->say($subledger)}";
        if ($ledger === -$subledger) {
            return [Cause::SignReversed, "{$figures}: the sides are exchanged, the difference is twice {$this->plain(abs($subledger))}."];
        }
        $difference = abs($subledger - $ledger);
        if ($ledger > 0 === $subledger > 0) {
            $digits = self::exchanged(abs($ledger), abs($subledger));
            if ($digits !== null) {
                return [
                    Cause::AmountTransposed,
                    "{$figures}: the digits {$digits[0]} and {$digits[1]} are exchanged; {$this->plain($difference)} is 9 × {$this->plain(
                        intdiv($difference, 9),
                    )}.",
                ];
            }
            if (self::shifted(abs($ledger), abs($subledger))) {
                return [Cause::AmountShifted, "{$figures}: the decimal point is shifted."];
            }
        }
        $note = "{$figures}: the difference is {$this->plain($difference)}";
        foreach ($pair->items as $item) {
            if (isset($tax[$item->id]) && abs($tax[$item->id]) === $difference) {
                $note .= ', which is the tax';
                break;
            }
        }

        return [Cause::AmountDiffers, $note.'.'];
    }

    /** @return ?array{string, string} the two neighbouring digits that are exchanged, as the second figure has them */
    private static function exchanged(int $one, int $other): ?array
    {
        [$a, $b] = [(string) $one, (string) $other];
        if (strlen($a) !== strlen($b)) {
            return null;
        }
        for ($place = 0; $place < strlen($a) - 1; $place++) {
            if ($a[$place] !== $b[$place]) {
                $swapped = substr($a, 0, $place).$a[$place + 1].$a[$place].substr($a, $place + 2);

                return $swapped === $b ? [$b[$place], $b[$place + 1]] : null;
            }
        }

        return null;
    }

    private static function shifted(int $one, int $other): bool
    {
        [$small, $large] = [min($one, $other), max($one, $other)];
        for ($power = $small; $power > 0 && $power <= intdiv(PHP_INT_MAX, 10) && $power < $large; $power *= 10);

        return $small > 0 && $power === $large;
    }

    /** @param  list<ProofLine>  $lines */
    private function counted(array $lines): int
    {
        return array_sum(array_map(fn (ProofLine $line): int => $line->countsAt($this->asOf), $lines));
    }

    /** @param  list<ProofLine>  $lines */
    private static function total(array $lines): int
    {
        return array_sum(array_map(static fn (ProofLine $line): int => $line->amount, $lines));
    }

    private function say(int $amount): string
    {
        return $this->plain(abs($amount)).($amount < 0 ? ' Cr' : ' Dr');
    }

    private function plain(int $amount): string
    {
        return Money::ofMinor($amount, $this->base)->grouped();
    }
}
