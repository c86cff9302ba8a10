<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\Pair;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\Pairing;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use PHPUnit\Framework\TestCase;

/** Which test pairs which lines, and what each leaves to the next. */
final class PairingTest extends TestCase
{
    private int $ids = 0;

    /** @param  array<string, string>  $more */
    private function line(Book $book, int $amount, string $document, array $more): ProofLine
    {
        $says = [...['date' => '2026-10-10', 'customer' => '', 'entry' => '', 'batch' => '', 'kind' => '', 'reverses' => ''], ...$more];

        return new ProofLine(
            $book,
            ++$this->ids,
            $says['date'],
            $amount,
            new ProofNames($document, $says['customer'], $says['entry'], $says['batch'], $says['reverses']),
            $says['kind'],
        );
    }

    private function posting(int $amount, string $document = '', string ...$more): ProofLine
    {
        return $this->line(Book::Ledger, $amount, $document, $more);
    }

    private function item(int $amount, string $document = '', string ...$more): ProofLine
    {
        return $this->line(Book::Subledger, $amount, $document, $more);
    }

    /**
     * @param list<non-empty-list<ProofLine>> $documents
     * @return list<string> each pair and each line left over
     */
    private static function told(array $documents, bool $itemsNameEntries = false, string $asOf = '2026-10-31'): array
    {
        $pairing = new Pairing($asOf, 5, $itemsNameEntries);
        array_map($pairing->takeDocument(...), $documents);
        $pairing->pairByName();
        $pairing->byBatch();
        $extras = $pairing->takeExtras();
        $pairing->pairByAmount();
        $say = static fn (ProofLine $line): string => ($line->book === Book::Ledger ? 'L' : 'S').$line->id;
        $all = static fn (array $lines): string => implode(',', array_map($say, $lines));

        return [
            ...array_map(static fn (Pair $of): string => "{$of->by->value} {$all($of->postings)} | {$all($of->items)}", $pairing->pairs),
            ...array_map(static fn (ProofLine $line): string => "extra {$say($line)}", $extras),
            ...array_map(static fn (ProofLine $line): string => "left {$say($line)}", $pairing->leftPostings()),
            ...array_map(static fn (ProofLine $line): string => "left {$say($line)}", $pairing->leftItems()),
        ];
    }

    public function test_two_lines_that_agree_go_at_first_sight(): void
    {
        $pairing = new Pairing('2026-10-31', 5, false, PairedBy::DocumentAndAmount);
        $pairing->takeDocument([$this->posting(5, 'A'), $this->item(5, 'A')]);
        $pairing->takeDocument([$this->item(7, 'B', date: '2026-10-31'), $this->posting(7, 'B', date: '2026-11-01')]);
        $pairing->takeDocument([$this->item(7, 'C', date: '2026-10-30'), $this->posting(7, 'C', date: '2026-10-31')]);
        $pairing->takeDocument([$this->posting(9, 'D', entry: 'E1'), $this->item(9, '', entry: 'E1')]);
        self::assertSame([3, 1], [$pairing->counts['document_and_amount'], $pairing->counts['entry']]);
        $documents = array_map(static fn (Pair $pair): string => $pair->items[0]->document, $pairing->pairs);
        self::assertSame(['B'], $documents, 'the day lies between');
        self::assertCount(3, $pairing->collected);
        self::assertSame(Book::Ledger, $pairing->collected[1]->postings[0]->book);
        self::assertSame(['window L9 | S10'], self::told([[$this->posting(9, 'F', entry: 'E2'), $this->item(9)]]), 'not by the document');
    }

    public function test_entry_numbers_have_the_first_word(): void
    {
        $document = fn (): array => [$this->posting(5, 'A', entry: 'E1'), $this->item(5, 'A', entry: 'E2')];
        self::assertSame(['document_and_amount L1 | S2'], self::told([$document()], true));
        self::assertSame(
            ['entry L3 | S5', 'document_and_amount L4 | S6'],
            self::told(
                [
                    [$this->posting(5, 'A', entry: 'E1'), $this->posting(6, 'A', entry: 'E3')],
                    [$this->item(8, '', entry: 'E1'), $this->item(6, 'A')],
                ],
                true,
            ),
        );
    }

    public function test_within_one_entry_by_document_then_by_amount_then_by_sum(): void
    {
        $documents = [
            [$this->posting(100, 'A', entry: 'E1')],
            [$this->posting(50, '', entry: 'E1')],
            [$this->posting(70, 'C', entry: 'E1')],
            [$this->item(90, 'A', entry: 'E1')],
            [$this->item(50, 'B', entry: 'E1')],
            [$this->item(30, 'D', entry: 'E1')],
            [$this->item(40, 'F', entry: 'E1')],
        ];
        self::assertSame(['entry L1 | S4', 'entry L2 | S5', 'entry L3 | S6,S7'], self::told($documents, true));
        $over = [[$this->posting(71, 'C', entry: 'E2')], [$this->item(30, 'D', entry: 'E2')], [$this->item(40, 'F', entry: 'E2')]];
        self::assertSame(['left L8', 'left S9', 'left S10'], self::told($over, true), 'the sum differs');
        $two = [[$this->posting(40, 'C', entry: 'E3')], [$this->posting(30, 'G', entry: 'E3')], [$this->item(70, 'D', entry: 'E3')]];
        self::assertSame(['entry L11,L12 | S13'], self::told($two, true), 'many postings against one item');
    }

    public function test_lines_on_the_same_side_of_the_account_pair_first(): void
    {
        self::assertSame(
            ['document_and_customer L2 | S3', 'document_and_customer L1 | S4'],
            self::told([
                [
                    $this->posting(-50, 'A', customer: 'C1', date: '2026-10-01'),
                    $this->posting(100, 'A', customer: 'C1', date: '2026-10-02'),
                    $this->item(91, 'A', customer: 'C1', date: '2026-10-01'),
                    $this->item(-40, 'A', customer: 'C1', date: '2026-10-02'),
                ],
            ]),
        );
        self::assertSame(
            ['document_and_customer L5 | S7', 'document L6 | S8'],
            self::told([
                [
                    $this->posting(10, 'B', customer: 'C1'),
                    $this->posting(20, 'B'),
                    $this->item(15, 'B', customer: 'C1'),
                    $this->item(-25, 'B', customer: 'C2'),
                ],
            ]),
        );
        self::assertSame(
            ['document L9 | S11', 'left L10'],
            self::told([[$this->posting(10, 'C'), $this->posting(20, 'C'), $this->item(-31, 'C', customer: 'C1')]]),
            'the other side, if nothing else is left',
        );
    }

    public function test_one_document_that_adds_up(): void
    {
        self::assertSame(['document_sum L1 | S2,S3'], self::told([[$this->posting(70, 'A'), $this->item(30, 'A'), $this->item(40, 'A')]]));
        self::assertSame(['document_sum L4,L5 | '], self::told([[$this->posting(70, 'B'), $this->posting(-70, 'B')]]));
        self::assertSame(
            ['document_sum L6,L8 | ', 'document L7 | S9'],
            self::told([[$this->posting(70, 'C'), $this->posting(60, 'C'), $this->posting(-70, 'C'), $this->item(65, 'C')]]),
        );
        self::assertSame(
            ['document_sum  | S11,S12', 'document L10 | S13'],
            self::told([[$this->posting(1, 'D'), $this->item(70, 'D'), $this->item(-70, 'D'), $this->item(5, 'D')]]),
        );
    }

    public function test_what_is_known_to_reverse_a_line_goes_with_it(): void
    {
        $first = $this->posting(70, 'A', entry: 'E1', date: '2026-10-01');
        $second = $this->posting(70, 'A', entry: 'E2', date: '2026-10-02');
        $back = $this->posting(-70, 'A', entry: 'E3', date: '2026-10-03', reverses: 'E2');
        self::assertSame(['document_sum L2,L3 | ', 'document L1 | S4'], self::told([[$first, $second, $back, $this->item(71, 'A')]]));
        $items = [$this->item(5, 'B', entry: 'E1'), $this->item(-5, 'B', entry: 'E9', reverses: 'E1'), $this->posting(8, 'B', entry: 'E1')];
        self::assertSame(['document_sum  | S5,S6', 'left L7'], self::told([$items], true), 'an item is taken back by an item');
        $other = [$this->posting(5, 'C', entry: 'E1'), $this->posting(-4, 'C', entry: 'E2', reverses: 'E1'), $this->item(9, 'C')];
        self::assertSame(['document L8 | S10', 'left L9'], self::told([$other]), 'another amount');
    }

    public function test_extras_are_the_later_of_two_alike(): void
    {
        self::assertSame(
            ['extra L2', 'left L1'],
            self::told([[$this->posting(70, 'A', date: '2026-10-01'), $this->posting(70, 'A', date: '2026-10-02')]]),
        );
        self::assertSame(
            ['extra L3', 'left L4'],
            self::told([[$this->posting(70, 'B', date: '2026-10-03'), $this->posting(70, 'B', date: '2026-10-02')]]),
        );
        self::assertSame(
            ['document L5 | S7', 'extra L6'],
            self::told([[$this->posting(70, 'C'), $this->posting(70, 'C'), $this->item(75, 'C')]]),
        );
    }

    public function test_batches_sums_and_near_dates(): void
    {
        $batch = fn (int $amount, string $name): array => [$this->item($amount, $name, batch: 'PS')];
        self::assertSame(
            ['batch L1 | S3,S4', 'left L2'],
            self::told([
                [$this->posting(-300, '', batch: 'PS')],
                [$this->posting(-20, '', batch: 'PS')],
                $batch(-100, 'R1'),
                $batch(-200, 'R2'),
            ]),
        );
        self::assertSame(
            ['sum L5 | S6,S7'],
            self::told([[$this->posting(-300)], [$this->item(-100, 'R1', kind: 'receipt')], [$this->item(-200, 'R2', kind: 'receipt')]]),
        );
        self::assertSame(
            ['left L8', 'left S9', 'left S10'],
            self::told([[$this->posting(-300)], [$this->item(-100, 'R1', kind: 'receipt')], [$this->item(-200, 'R2', kind: 'refund')]]),
        );
        $near = fn (string $day): array => [[$this->posting(-5, '', date: '2026-10-10')], [$this->item(-5, 'R', date: $day)]];
        self::assertSame(['window L11 | S12'], self::told($near('2026-10-15')));
        self::assertSame(['window L13 | S14'], self::told($near('2026-10-05')));
        self::assertSame(['left L15', 'left S16'], self::told($near('2026-10-16')));
        self::assertSame(
            ['left L17', 'left S19', 'left S18'],
            self::told([...$near('2026-10-11'), [$this->item(-5, 'Q')]]),
            'two fit: neither is taken',
        );
    }

    public function test_a_batch_of_which_one_item_names_the_entry_is_whole_all_the_same(): void
    {
        $batch = fn (int $amount, string $entry = ''): array => [$this->item($amount, '', entry: $entry, batch: 'PS')];
        self::assertSame(
            ['batch L1 | S2,S3'],
            self::told([[$this->posting(-300, '', entry: 'E1', batch: 'PS')], $batch(-100, 'E1'), $batch(-200)]),
        );
        self::assertSame(
            ['entry L4 | S5', 'left S6'],
            self::told([[$this->posting(-300, '', entry: 'E1', batch: 'PS')], $batch(-100, 'E1'), $batch(-201)]),
            'what the batch does not come to the entry says',
        );
        self::assertSame(
            ['entry L7 | S8', 'left S9'],
            self::told([[$this->posting(-300, '', entry: 'E1')], [$this->item(-100, '', entry: 'E1')], [$this->item(-200)]]),
            'no batch',
        );
    }
}
