<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\Agreed;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\HandPairs;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use Ajuste\Core\Proof\ProofSource;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Random books of which every fault is known: clean documents, batches and receipts, and faults of every cause among them. */
final class PlantedBooks implements ProofSource
{
    public const AS_OF = '2026-10-31';

    /** Causes that are shown by tests of their own. */
    private const OTHERWISE = [Cause::OpeningDifference, Cause::NotNeeded];

    /** @var list<array{Cause, string, int}> cause, document and amount of every fault */
    public array $planted = [];

    /** @var list<ProofLine> */
    private array $lines = [];

    /** @var list<array{string, ProofLine}> */
    private array $elsewhere = [];

    /** @var array<int, true> */
    private array $amounts = [];

    private Randomizer $chance;

    private int $ids = 0;

    private bool $named;

    public function __construct(int $seed, int $documents = 60, int $faults = 14)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->named = $this->chance->getInt(0, 1) === 1;
        for ($n = 0; $n < $documents; $n++) {
            $this->clean("F{$n}");
        }
        for ($n = 0; $n < 4; $n++) {
            $this->batch("PS{$n}");
        }
        $planted = static fn (Cause $cause): bool => ! in_array($cause, self::OTHERWISE, true);
        $causes = array_values(array_filter(Cause::cases(), $planted));
        for ($n = 0; $n < $faults; $n++) {
            $this->plant($n < count($causes) ? $causes[$n] : $causes[$this->chance->getInt(0, count($causes) - 1)], "X{$n}");
        }
        for ($n = 0; $faults > 0 && $n < 6; $n++) {
            $this->plantTwo($n, "Y{$n}");
        }
        if ($faults > 0) {
            $off = $this->amount();
            $this->add(Book::Ledger, 500_000 + $off, '', '2026-10-01', 'E-0', 'opening');
            $this->add(Book::Subledger, 500_000, 'BF', '2026-10-01', '', 'opening');
            $this->planted[] = [Cause::OpeningDifference, '', -$off];
        }
    }

    public function proof(): Proof
    {
        return Proof::of($this, self::AS_OF, 5, Currency::of('EUR'));
    }

    /** @return list<string> what was planted, sorted */
    public function expected(): array
    {
        return self::sorted(array_map(static fn (array $fault): string => "{$fault[0]->value} {$fault[1]} {$fault[2]}", $this->planted));
    }

    /** @return list<string> what the proof names, sorted */
    public function named(): array
    {
        return self::sorted(
            array_map(static fn ($line): string => "{$line->cause->value} {$line->document()} {$line->amount}", $this->proof()->lines),
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

    public function handPairs(): HandPairs
    {
        return new HandPairs();
    }

    public function itemsNameEntries(): bool
    {
        return $this->named;
    }

    public function elsewhere(array $items): iterable
    {
        return $this->elsewhere;
    }

    public function tax(array $itemIds): array
    {
        return [];
    }

    private function clean(string $document): void
    {
        $amount = $this->amount() * ($this->chance->getInt(0, 2) === 0 ? -1 : 1);
        $day = $this->day();
        $this->posting($amount, $document, $day);
        $this->item($amount, $document, $day);
    }

    private function batch(string $batch): void
    {
        $day = $this->day();
        $sum = 0;
        for ($n = 0; $n < 3; $n++) {
            $amount = -$this->amount();
            $sum += $amount;
            $this->lines[] = new ProofLine(
                Book::Subledger,
                ++$this->ids,
                $day,
                $amount,
                new ProofNames("{$batch}-{$n}", 'C1', '', $batch),
                'receipt',
            );
        }
        $this->lines[] = new ProofLine(Book::Ledger, ++$this->ids, $day, $sum, new ProofNames('', '', "EB{$batch}", $batch), 'bank');
    }

    private function plant(Cause $cause, string $document): void
    {
        $amount = $this->amount();
        $day = $this->day();
        $worth = match ($cause) {
            Cause::DuplicateInLedger => $this->twiceInLedger($amount, $document, $day),
            Cause::DuplicateInSubledger => $this->twiceInSubledger($amount, $document, $day),
            Cause::WrongAccount => $this->onAnotherAccount($amount, $document, $day),
            Cause::CutOff => $this->otherPeriod($amount, $document, $day),
            Cause::SignReversed => $this->differs(-$amount, $amount, $document, $day),
            Cause::AmountTransposed => $this->differs(self::exchanged($amount), $amount, $document, $day),
            Cause::AmountShifted => $this->differs($amount * 10, $amount, $document, $day),
            Cause::AmountDiffers => $this->differs($amount + 137, $amount, $document, $day),
            Cause::NotInLedger => $this->item($amount, $document, $day),
            default => -$this->posting($amount, $document, $day),
        };
        $this->planted[] = [$cause, $document, $worth];
    }

    /** Two faults on one document: it stands twice on one side, and what is left of it is wrong in another way too. */
    private function plantTwo(int $way, string $document): void
    {
        $other = [
            Cause::AmountDiffers,
            Cause::AmountTransposed,
            Cause::CutOff,
            Cause::SignReversed,
            Cause::WrongAccount,
            Cause::AmountShifted,
        ][$way];
        $inLedger = $other !== Cause::WrongAccount && $this->chance->getInt(0, 1) === 1;
        $this->plant($other, $document);
        // The second line is dated after the one that is there, so that the later one is the extra.
        foreach ($this->lines as $line) {
            if ($line->document === $document && ($line->book === Book::Ledger) === $inLedger) {
                $amount = $line->amount;
                $counts = $line->date <= self::AS_OF;
            }
        }
        if (! isset($amount, $counts)) {
            return;
        }
        $day = $counts ? '2026-10-29' : '2026-11-03';
        $inLedger
            ? $this->add(Book::Ledger, $amount, $document, $day, "E-{$document}-2", 'sales')
            : $this->add(Book::Subledger, $amount, $document, $day, '', 'invoice');
        if ($counts) {
            $this->planted[] = $inLedger
                ? [Cause::DuplicateInLedger, $document, -$amount]
                : [Cause::DuplicateInSubledger, $document, $amount];
        }
    }

    private function twiceInLedger(int $amount, string $document, string $day): int
    {
        $this->differs($amount, $amount, $document, $day);
        $times = $this->chance->getInt(1, 2);
        for ($n = 1; $n <= $times; $n++) {
            $this->add(Book::Ledger, $amount, $document, $day, "E-{$document}-{$n}", 'sales');
            if ($n < $times) {
                $this->planted[] = [Cause::DuplicateInLedger, $document, -$amount];
            }
        }

        return -$amount;
    }

    private function twiceInSubledger(int $amount, string $document, string $day): int
    {
        $this->differs($amount, $amount, $document, $day);
        $this->add(Book::Subledger, $amount, $document, $day, '', 'invoice');

        return $amount;
    }

    private function onAnotherAccount(int $amount, string $document, string $day): int
    {
        $this->item($amount, $document, $day);
        $this->elsewhere[] = [
            '1180 Other',
            new ProofLine(Book::Ledger, ++$this->ids, $day, $amount, new ProofNames($document, '', "E-{$document}", ''), 'sales'),
        ];

        return $amount;
    }

    private function otherPeriod(int $amount, string $document, string $day): int
    {
        $ledgerLater = $this->chance->getInt(0, 1) === 1;
        $this->posting($amount, $document, $ledgerLater ? '2026-11-02' : $day);
        $this->item($amount, $document, $ledgerLater ? $day : '2026-11-02');

        return $ledgerLater ? $amount : -$amount;
    }

    private function differs(int $posted, int $documented, string $document, string $day): int
    {
        $this->posting($posted, $document, $day);
        $this->item($documented, $document, $day);

        return $documented - $posted;
    }

    private function posting(int $amount, string $document, string $day): int
    {
        $this->add(Book::Ledger, $amount, $document, $day, "E-{$document}", 'sales');

        return $amount;
    }

    private function item(int $amount, string $document, string $day): int
    {
        $this->add(Book::Subledger, $amount, $document, $day, $this->named ? "E-{$document}" : '', 'invoice');

        return $amount;
    }

    private function add(Book $book, int $amount, string $document, string $day, string $entry, string $kind): void
    {
        $this->lines[] = new ProofLine($book, ++$this->ids, $day, $amount, new ProofNames($document, 'C1', $entry, ''), $kind);
    }

    /** An amount that no other line has, with two different figures in front, so that exchanging them makes a difference. */
    private function amount(): int
    {
        do {
            $amount = $this->chance->getInt(10_203, 989_796);
        } while (
            isset($this->amounts[$amount]) ||
            (string) $amount === (string) self::exchanged($amount) ||
            strlen((string) self::exchanged($amount)) !== strlen((string) $amount) ||
            $amount % 10 === 0
        );
        $this->amounts[$amount] = true;

        return $amount;
    }

    private static function exchanged(int $amount): int
    {
        $digits = (string) $amount;

        return (int) ($digits[1].$digits[0].substr($digits, 2));
    }

    private function day(): string
    {
        return sprintf('2026-10-%02d', $this->chance->getInt(2, 28));
    }

    /**
     * @param list<string> $names
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        sort($names);

        return $names;
    }
}
