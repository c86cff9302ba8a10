<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\Agreed;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\HandPairs;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use Ajuste\Core\Proof\ProofSource;

/** Lines of a proof in memory, for tests. Amounts are cents, debit-positive. */
final class Lines implements ProofSource
{
    /** @var list<ProofLine> */
    private array $lines = [];

    /** @var list<array{string, ProofLine}> */
    private array $elsewhere = [];

    /** @var array<int, int> */
    private array $tax = [];

    private int $ids = 0;

    public function posting(
        int $amount,
        string $document = '',
        string $entry = '',
        string $date = '2026-10-10',
        string $customer = '',
        string $batch = '',
        string $source = '',
        bool $own = false,
        string $reverses = '',
        bool $corrects = false,
    ): self {
        $id = ++$this->ids;
        $this->lines[] = new ProofLine(
            Book::Ledger,
            $id,
            $date,
            $amount,
            new ProofNames($document, $customer, $entry !== '' ? $entry : "E{$id}", $batch, $reverses),
            $corrects ? ($source === 'opening' ? ProofLine::OPENING_CORRECTION : ProofLine::CORRECTION) : $source,
            '',
            $own,
        );

        return $this;
    }

    public function item(
        int $amount,
        string $document,
        string $entry = '',
        string $date = '2026-10-10',
        string $customer = 'C1',
        string $batch = '',
        string $kind = '',
        ?int $tax = null,
    ): self {
        $id = ++$this->ids;
        $this->lines[] = new ProofLine(
            Book::Subledger,
            $id,
            $date,
            $amount,
            new ProofNames($document, $customer, $entry, $batch),
            $kind !== '' ? $kind : ($amount > 0 ? 'invoice' : 'receipt'),
        );
        if ($tax !== null) {
            $this->tax[$id] = $tax;
        }

        return $this;
    }

    public function onAnotherAccount(
        int $amount,
        string $document,
        string $entry,
        string $account = '1180 Other',
        string $date = '2026-10-10',
    ): self {
        $this->elsewhere[] = [
            $account,
            new ProofLine(Book::Ledger, ++$this->ids, $date, $amount, new ProofNames($document, '', $entry, ''), ''),
        ];

        return $this;
    }

    public function proof(string $asOf = '2026-10-31', int $window = 5): Proof
    {
        return Proof::of($this, $asOf, $window, Currency::of('EUR'));
    }

    /** @return list<string> cause, document and amount of each line */
    public function causes(string $asOf = '2026-10-31', int $window = 5): array
    {
        return array_map(
            static fn ($line): string => "{$line->cause->value} {$line->document()} {$line->amount}",
            $this->proof($asOf, $window)->lines,
        );
    }

    public function agreed(): Agreed
    {
        return new Agreed();
    }

    public function documents(): iterable
    {
        return Documents::of($this->lines);
    }

    private HandPairs $hand;

    public function said(HandPairs $hand): self
    {
        $this->hand = $hand;

        return $this;
    }

    public function handPairs(): HandPairs
    {
        return $this->hand ?? new HandPairs();
    }

    public function itemsNameEntries(): bool
    {
        foreach ($this->lines as $line) {
            if ($line->book === Book::Subledger && $line->entry !== '') {
                return true;
            }
        }

        return false;
    }

    public function elsewhere(array $items): iterable
    {
        return $this->elsewhere;
    }

    public function tax(array $itemIds): array
    {
        return array_intersect_key($this->tax, array_flip($itemIds));
    }
}
