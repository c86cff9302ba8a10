<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Money\Currency;
use LogicException;

/**
 * The proof of a control account as of a day (R12): control + Σ causes = customers, always. Amounts are minor units of base
 * currency, debit-positive.
 */
final readonly class Proof
{
    public int $control;

    /** Control account less customers. */
    public int $difference;

    /** Postings that came from the ledger. */
    public int $ledgerAsImported;

    /** Postings of Ajuste that the ledger has not taken over yet. */
    public int $ownVouchers;

    /** The items. */
    public int $customers;

    /**
     * @param Agreed $agreed what agreed when an earlier period was signed, carried as a sum; part of the totals
     * @param list<CauseLine> $lines in the order of the causes, then by date
     * @param array<string, int> $pairs how many pairs each test made
     * @param list<Pair> $collected the pairs that were asked for
     */
    private function __construct(
        public string $asOf,
        public ProofTotals $totals,
        public Agreed $agreed,
        public array $lines,
        public array $pairs,
        public array $collected,
    ) {
        $this->ledgerAsImported = $totals->imported;
        $this->ownVouchers = $totals->own;
        $this->customers = $totals->customers;
        $this->control = $totals->imported + $totals->own;
        $this->difference = $this->control - $totals->customers;
        $sum = array_sum(array_map(static fn (CauseLine $line): int => $line->amount, $lines));
        if ($this->control + $sum !== $totals->customers) {
            throw new LogicException("The causes come to {$sum}, the difference is {$this->difference}.");
        }
    }

    /**
     * Pairs postings with items and names what is left.
     *
     * @param int $windowDays days within which equal amounts may find each other
     * @param ?PairedBy $collect the test of which the first pairs are kept, agreeing ones too
     */
    public static function of(ProofSource $source, string $asOf, int $windowDays, Currency $base, ?PairedBy $collect = null): self
    {
        $pairing = new Pairing($asOf, $windowDays, $source->itemsNameEntries(), $collect);
        $agreed = $source->agreed();
        $own = 0;
        $imported = $customers = $agreed->balance;
        [$postings, $items] = [$agreed->postings, $agreed->items];
        $openings = ['ledger' => [], 'subledger' => []];
        $byHand = [];
        $hand = $source->handPairs();
        foreach ($source->documents() as $document) {
            $toPair = [];
            foreach ($document as $line) {
                if ($line->book === Book::Subledger) {
                    $customers += $line->countsAt($asOf);
                    $items++;
                } else {
                    $line->own ? ($own += $line->countsAt($asOf)) : ($imported += $line->countsAt($asOf));
                    $postings++;
                }
                $pair = $line->isOpening() ? null : $hand->pairOf($line);
                if ($line->isOpening()) {
                    $openings[$line->book->value][] = $line;
                } elseif ($pair !== null) {
                    $byHand[$pair][] = $line;
                } elseif ($hand->isApart($line)) {
                    $pairing->keepApart($line);
                } else {
                    $toPair[] = $line;
                }
            }
            if ($toPair !== []) {
                $pairing->takeDocument($toPair);
            }
        }
        foreach ($byHand as $lines) {
            $pairing->byHand($lines);
        }

        return new self(
            $asOf,
            new ProofTotals($imported, $own, $customers, $postings, $items),
            $agreed,
            self::causes($source, $pairing, $openings, new CauseNamer($asOf, $base)),
            $pairing->counts,
            $pairing->collected,
        );
    }

    /**
     * The same account with further lines that agree with each other.
     *
     * @param self $agreeing their own proof, without causes, as of the same day
     */
    public function plus(self $agreeing): self
    {
        $pairs = $this->pairs;
        foreach ($agreeing->pairs as $test => $count) {
            $pairs[$test] = ($pairs[$test] ?? 0) + $count;
        }

        return new self(
            $this->asOf,
            $this->totals->plus($agreeing->totals),
            $this->agreed,
            $this->lines,
            $pairs,
            $this->collected,
        );
    }

    /**
     * The causes that nobody has explained yet.
     *
     * @param array<string, CarriedCause> $carried by the cause's key
     * @return list<CauseLine>
     */
    public function open(array $carried): array
    {
        return array_values(
            array_filter(
                $this->lines,
                fn (CauseLine $line): bool => ! (isset($carried[$line->key()]) && $carried[$line->key()]->explains($line, $this->asOf)),
            ),
        );
    }

    /**
     * Sum of the absolute amounts of causes that nobody has explained yet; the station is done only when that is nil.
     *
     * @param array<string, CarriedCause> $carried by the cause's key
     */
    public function unexplained(array $carried = []): int
    {
        return array_sum(array_map(static fn (CauseLine $line): int => abs($line->amount), $this->open($carried)));
    }

    /** @return array<string, non-empty-list<CauseLine>> lines by cause, causes that do not occur left out */
    public function byCause(): array
    {
        $causes = [];
        foreach ($this->lines as $line) {
            $causes[$line->cause->value][] = $line;
        }

        return $causes;
    }

    /** @return array<string, int> signed amount by cause, in the order of the causes */
    public function amounts(): array
    {
        return array_map(
            static fn (array $lines): int => array_sum(array_map(static fn (CauseLine $line): int => $line->amount, $lines)),
            $this->byCause(),
        );
    }

    /**
     * @param array{ledger: list<ProofLine>, subledger: list<ProofLine>} $openings
     * @return list<CauseLine>
     */
    private static function causes(ProofSource $source, Pairing $pairing, array $openings, CauseNamer $name): array
    {
        $lines = [$name->opening($openings['ledger'], $openings['subledger'])];
        $pairing->pairByName();
        $extras = $pairing->takeExtras();
        $pairing->byBatch();
        foreach ([...$extras, ...$pairing->takeExtras()] as $line) {
            $lines[] = $name->extra($line);
        }
        foreach (self::elsewhere($source, $pairing) as [$item, $posting, $account]) {
            $pairing->takeItem($item);
            $lines[] = $name->wrongAccount($item, $posting, $account);
        }
        $pairing->pairByAmount();
        $tax = self::taxOf($source, $pairing->pairs);
        foreach ($pairing->pairs as $pair) {
            $lines[] = $name->ofPair($pair, $tax);
        }
        foreach ($pairing->leftItems() as $item) {
            $lines[] = $name->notInLedger($item);
        }
        foreach ($pairing->leftPostings() as $posting) {
            $lines[] = $name->notInSubledger($posting);
        }
        foreach ($pairing->apart as $line) {
            $lines[] = $line->book === Book::Ledger ? $name->notInSubledger($line) : $name->notInLedger($line);
        }
        $lines = array_values(array_filter($lines));
        $order = array_flip(array_map(static fn (Cause $cause): string => $cause->value, Cause::cases()));
        usort(
            $lines,
            static fn (CauseLine $one, CauseLine $other): int => [$order[$one->cause->value], $one->date(), $one->first()->id] <=> [
                $order[$other->cause->value],
                $other->date(),
                $other->first()->id,
            ],
        );

        return $lines;
    }

    /**
     * Items whose posting stands on another account: same entry or document, same amount on the same side.
     *
     * @return list<array{ProofLine, ProofLine, string}>
     */
    private static function elsewhere(ProofSource $source, Pairing $pairing): array
    {
        $items = $pairing->leftItems();
        $byDocument = $byEntry = [];
        foreach ($source->elsewhere($items) as [$account, $posting]) {
            if ($posting->document !== '') {
                $byDocument[$posting->document."\0".$posting->amount][] = [$account, $posting];
            }
            $byEntry[$posting->entry."\0".$posting->amount][] = [$account, $posting];
        }
        $found = $taken = [];
        foreach ($items as $item) {
            $candidates = [
                ...$item->entry === '' ? [] : $byEntry[$item->entry."\0".$item->amount] ?? [],
                ...$item->document === '' ? [] : $byDocument[$item->document."\0".$item->amount] ?? [],
            ];
            foreach ($candidates as [$account, $posting]) {
                if (! isset($taken[$posting->id])) {
                    $taken[$posting->id] = true;
                    $found[] = [$item, $posting, $account];
                    break;
                }
            }
        }

        return $found;
    }

    /**
     * @param list<Pair> $pairs
     * @return array<int, int>
     */
    private static function taxOf(ProofSource $source, array $pairs): array
    {
        $ids = [];
        foreach ($pairs as $pair) {
            foreach ($pair->items as $item) {
                $ids[] = $item->id;
            }
        }

        return $ids === [] ? [] : $source->tax($ids);
    }
}
