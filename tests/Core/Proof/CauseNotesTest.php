<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\CauseNamer;
use Ajuste\Core\Proof\Pair;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use PHPUnit\Framework\TestCase;

/** Each cause as a sentence with its figures. */
final class CauseNotesTest extends TestCase
{
    private static function line(
        Book $book,
        int $amount,
        string $date = '2026-10-10',
        string $entry = '',
        string $text = '',
        string $batch = '',
    ): ProofLine {
        return new ProofLine($book, 7, $date, $amount, new ProofNames('I-9', 'C1', $entry, $batch), 'credit_note', $text);
    }

    private static function namer(): CauseNamer
    {
        return new CauseNamer('2026-10-31', Currency::of('EUR'));
    }

    /**
     * @param list<ProofLine> $postings
     * @param list<ProofLine> $items
     * @param array<int, int> $tax
     */
    private static function note(array $postings, array $items, array $tax = []): string
    {
        $line = self::namer()->ofPair(new Pair($postings, $items, PairedBy::Document), $tax);

        return $line === null ? 'agrees' : "{$line->cause->value}: {$line->note}";
    }

    public function test_a_pair_that_differs(): void
    {
        $says = static fn (int $ledger, int $items): string => self::note(
            [self::line(Book::Ledger, $ledger)],
            [self::line(Book::Subledger, $items)],
        );
        self::assertSame('agrees', $says(500, 500));
        self::assertSame(
            'amount_differs: Posted as 1,000.00 Dr, document I-9 says 1,000.17 Dr: the difference is 0.17.',
            $says(100_000, 100_017),
        );
        self::assertSame(
            'sign_reversed: Posted as 5.00 Cr, document I-9 says 5.00 Dr: the sides are exchanged, the difference is twice 5.00.',
            $says(-500, 500),
        );
        self::assertSame(
            'amount_transposed: Posted as 12.43 Cr, document I-9 says 12.34 Cr: the digits 3 and 4 are exchanged; 0.09 is 9 × 0.01.',
            $says(-1_243, -1_234),
        );
        self::assertSame(
            'amount_shifted: Posted as 1.84 Dr, document I-9 says 1,840.00 Dr: the decimal point is shifted.',
            $says(184, 184_000),
        );
        self::assertStringStartsWith('amount_differs', $says(-12, 21), 'other sides: no exchange of digits');
        self::assertStringStartsWith('amount_differs', $says(-10, 100), 'other sides: no shift');
        self::assertStringStartsWith('amount_shifted', $says(1, 10));
        self::assertStringStartsWith('amount_shifted', $says(10, 1));
        self::assertStringStartsWith('amount_differs', $says(1, 11), 'not a power of ten');
        self::assertStringStartsWith('amount_differs', $says(1_234, 1_243_0), 'other lengths: no exchange of digits');
        self::assertStringStartsWith('amount_differs', $says(123, 321), 'not neighbours');
        self::assertSame('amount_differs: Posted as 0.00 Dr, document I-9 says 0.01 Dr: the difference is 0.01.', $says(0, 1));
        $large = 900_000_000_000_000_000;
        self::assertStringStartsWith('amount_shifted', $says($large, intdiv($large, 10)));
        self::assertStringStartsWith('amount_shifted', $says(intdiv(PHP_INT_MAX, 10), 10 * intdiv(PHP_INT_MAX, 10)));
        self::assertStringStartsWith('amount_differs', $says(PHP_INT_MAX - 1, 3));
    }

    public function test_a_difference_that_is_the_tax_says_so(): void
    {
        $posted = [self::line(Book::Ledger, 100)];
        self::assertStringEndsWith('is 0.21, which is the tax.', self::note($posted, [self::line(Book::Subledger, 121)], [7 => -21]));
        self::assertStringEndsWith('is 0.21.', self::note($posted, [self::line(Book::Subledger, 121)], [7 => 20]));
        self::assertStringContainsString(
            'the documents come to 1.20 Dr: the difference is 0.20.',
            self::note($posted, [self::line(Book::Subledger, 60), self::line(Book::Subledger, 60)]),
        );
    }

    public function test_a_pair_that_straddles_the_day(): void
    {
        $late = static fn (Book $book, int $amount): ProofLine => self::line($book, $amount, '2026-11-02');
        self::assertSame(
            'cut_off: With the customer on 2026-10-10, in the ledger on 2026-11-02.',
            self::note([$late(Book::Ledger, 100)], [self::line(Book::Subledger, 100)]),
        );
        self::assertSame(
            'cut_off: With the customer on 2026-11-02, in the ledger on 2026-10-10. The amounts differ too: 0.30 Cr is still to come.',
            self::note([self::line(Book::Ledger, 100)], [$late(Book::Subledger, 70)]),
        );
        self::assertSame(
            'cut_off: In the ledger on 2026-10-10, 2026-11-02.',
            self::note([self::line(Book::Ledger, 100), $late(Book::Ledger, -100)], []),
        );
        self::assertSame(
            'cut_off: With the customer on 2026-10-10, 2026-11-02.',
            self::note([], [self::line(Book::Subledger, 100), $late(Book::Subledger, -100)]),
        );
        self::assertSame('agrees', self::note([$late(Book::Ledger, 100)], [$late(Book::Subledger, 130)]));
    }

    public function test_what_stands_on_one_side_alone(): void
    {
        $namer = self::namer();
        self::assertSame(
            'Credit note I-9 of 2026-10-10, 3.00 Cr, has no posting.',
            $namer->notInLedger(self::line(Book::Subledger, -300))?->note,
        );
        self::assertSame(
            'Credit note I-9 of 2026-10-10, 3.00 Cr, has no posting; its batch is PS4.',
            $namer->notInLedger(self::line(Book::Subledger, -300, batch: 'PS4'))?->note,
        );
        self::assertSame(
            'Entry E5 of 2026-10-10, 3.00 Dr, “Sales”, has no document with a customer.',
            $namer->notInSubledger(self::line(Book::Ledger, 300, entry: 'E5', text: 'Sales'))?->note,
        );
        $posting = $namer->notInSubledger(self::line(Book::Ledger, 300, entry: 'E5'));
        self::assertSame('Entry E5 of 2026-10-10, 3.00 Dr, has no document with a customer.', $posting?->note);
        self::assertSame([300, 0, -300], [$posting->ledger, $posting->subledger, $posting->amount]);
        self::assertNull($namer->notInSubledger(self::line(Book::Ledger, 300, '2026-11-01')));
        $item = $namer->notInLedger(self::line(Book::Subledger, 1));
        self::assertSame([0, 1, 1], [$item?->ledger, $item?->subledger, $item?->amount]);
    }

    public function test_the_extra_of_two(): void
    {
        $extra = static function (ProofLine $line, ?ProofLine $twin): string {
            $line->twin = $twin;
            $cause = self::namer()->extra($line);

            return "{$cause?->cause->value}: {$cause?->note}";
        };
        $first = self::line(Book::Ledger, 500, '2026-10-03', 'E1');
        self::assertSame(
            'duplicate_in_ledger: Posted on 2026-10-10 as entry E2 and already on 2026-10-03 as entry E1, 5.00 Dr each time.',
            $extra(self::line(Book::Ledger, 500, entry: 'E2'), $first),
        );
        self::assertSame(
            'duplicate_in_ledger: Posted on 2026-10-10 and already on 2026-10-03, 5.00 Dr each time.',
            $extra(self::line(Book::Ledger, 500), self::line(Book::Ledger, 500, '2026-10-03')),
        );
        self::assertSame(
            'duplicate_in_subledger: With the customer on 2026-10-10 as entry E2 and already on 2026-10-03, 5.00 Dr each time.',
            $extra(self::line(Book::Subledger, 500, entry: 'E2'), self::line(Book::Subledger, 500, '2026-10-03', 'E1')),
        );
        self::assertSame(
            'duplicate_in_ledger: Posted on 2026-10-10 as entry E2, 5.00 Dr each time.',
            $extra(self::line(Book::Ledger, 500, entry: 'E2'), null),
        );
    }

    public function test_a_posting_on_another_account_and_the_opening(): void
    {
        $namer = self::namer();
        $posting = self::line(Book::Ledger, 100, entry: 'E3');
        self::assertSame(
            '1.00 Dr was posted to 1180 Other on 2026-10-10 as entry E3.',
            $namer->wrongAccount(self::line(Book::Subledger, 100), $posting, '1180 Other')?->note,
        );
        self::assertNull($namer->wrongAccount(self::line(Book::Subledger, 100, '2026-11-01'), $posting, '1180 Other'));
        self::assertSame(1, $namer->wrongAccount(self::line(Book::Subledger, 1), $posting, '1180 Other')?->amount);
        self::assertSame(
            "The ledger brought forward 1.00 Dr, the customers' documents come to 0.70 Dr.",
            $namer->opening([self::line(Book::Ledger, 100)], [self::line(Book::Subledger, 70)])?->note,
        );
        self::assertNull($namer->opening([self::line(Book::Ledger, 100)], [self::line(Book::Subledger, 100)]));
    }
}
