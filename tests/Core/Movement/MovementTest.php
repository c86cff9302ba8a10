<?php

declare(strict_types=1);

namespace Tests\Core\Movement;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Movement\GroupMovement;
use Ajuste\Core\Movement\Movement;
use Ajuste\Core\Movement\MovementFigures;
use Ajuste\Core\Movement\MovementLine;
use Ajuste\Core\Movement\MovementPart;
use Ajuste\Core\Proof\Agreed;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\HandPairs;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use Ajuste\Core\Proof\ProofSource;
use Ajuste\Core\Subledger\Kind;
use PHPUnit\Framework\TestCase;

/** R11: the lines of the roll-forward, tied at both ends in both columns. */
final class MovementTest extends TestCase
{
    public function test_each_kind_has_its_line(): void
    {
        $lines = [];
        foreach (Kind::cases() as $kind) {
            $lines[MovementLine::of($kind)->value][] = $kind->value;
        }
        self::assertSame(['invoice', 'debit_note', 'charge'], $lines['invoices']);
        self::assertSame(['credit_note', 'discount', 'deduction'], $lines['credits']);
        self::assertSame(['receipt', 'refund', 'deposit', 'deposit_matched'], $lines['receipts']);
        self::assertSame(['write_off', 'write_back'], $lines['write_offs']);
        self::assertSame([['contra'], ['exchange_difference']], [$lines['contra'], $lines['exchange']]);
        self::assertSame(['transfer', 'adjustment', 'opening'], $lines['other']);
        self::assertSame(9, count(array_unique(array_map(static fn (MovementLine $of): string => $of->words(), MovementLine::cases()))));
    }

    public function test_the_columns_differ_by_causes_alone(): void
    {
        $lines = [
            [self::line(Book::Subledger, 1, '2026-09-05', 100, 'I1', 'invoice')],
            [self::line(Book::Subledger, 2, '2026-10-05', 500, 'I2', 'invoice'), self::line(Book::Ledger, 2, '2026-10-05', 450, 'I2', '')],
            [self::line(Book::Subledger, 3, '2026-10-20', -70, 'R1', 'receipt'), self::line(Book::Ledger, 3, '2026-11-02', -70, 'R1', '')],
            [self::line(Book::Ledger, 4, '2026-10-30', 9, '', '')],
            [self::line(Book::Subledger, 5, '2026-10-28', 20, 'K9', 'adjustment')],
        ];
        $moved = ['invoice' => 400, 'charge' => 100, 'receipt' => -70, 'credit_note' => 20];
        [$before, $after] = [self::proof($lines, '2026-09-30'), self::proof($lines, '2026-10-31')];
        $of = Movement::between('2026-10-01', $before, $after, $moved, [5 => Kind::CreditNote], Currency::of('EUR'));
        $said = array_map(static fn (MovementFigures $line): string => implode(' ', [
            $line->line->value, $line->ledger->minor, $line->customers->minor, count($line->causes()),
        ]), $of->lines);
        self::assertSame([
            'opening 0 100 0', 'invoices 450 500 1', 'credits 0 20 1', 'receipts 0 -70 1', 'write_offs 0 0 0',
            'contra 0 0 0', 'exchange 0 0 0',
            'other 9 0 1', 'closing 459 550 0',
        ], $said, 'I1 stood before and makes no difference');
        $parts = array_map(static fn (MovementFigures $line): array => array_map(static fn (MovementPart $part): string => implode(' ', [
            $part->name(), $part->ledger->minor, $part->customers->minor, $part->difference()->minor,
        ]), $line->parts), $of->lines);
        self::assertSame(
            [
                [], ['invoice 350 400 -50', 'charge 100 100 0'], ['credit_note 0 20 -20'], ['receipt 0 -70 70'], [], [], [],
                ['unpaired 9 0 9'], [],
            ],
            $parts,
        );
        self::assertSame(
            ['Amount differs I2', '-0.50'],
            [$of->line('invoices')->causes()[0]->title(), $of->line('invoices')->causes()[0]->difference->decimal()],
        );
        self::assertSame([-20, null], [
            $of->line('credits')->part('credit_note')?->difference()->minor, $of->line('credits')->part('discount'),
        ]);
        self::assertSame('posting that pairs with nothing', $of->line('other')->parts[0]->words());
        self::assertSame(['-0.91', '2026-10-01', '2026-10-31'], [$of->difference()->decimal(), $of->from, $of->to]);
    }

    public function test_groups_of_customers_go_from_one_balance_to_the_next(): void
    {
        $groups = GroupMovement::each(
            ['retail' => 100_00, '' => 5_00, 'gone' => 0],
            [
                'retail' => ['invoice' => 40_00, 'discount' => -1_00, 'receipt' => -90_00],
                'export' => ['transfer' => 7_00],
                '' => ['receipt' => -5_00],
            ],
            Currency::of('EUR'),
        );
        self::assertSame([
            ['export', 0, 0, 0, 0, 0, 0, 0, 7_00, 7_00],
            ['retail', 100_00, 40_00, -1_00, -90_00, 0, 0, 0, 0, 49_00],
            ['', 5_00, 0, 0, -5_00, 0, 0, 0, 0, 0],
        ], array_map(static fn (GroupMovement $of): array => [
            $of->group, ...array_map(static fn (Money $money): int => $money->minor, $of->figures()),
        ], $groups));
    }

    private static function line(Book $book, int $id, string $date, int $amount, string $document, string $kind): ProofLine
    {
        return new ProofLine($book, $id, $date, $amount, new ProofNames($document, '', $book === Book::Ledger ? "E{$id}" : '', ''), $kind);
    }

    /** @param  list<non-empty-list<ProofLine>>  $documents */
    private static function proof(array $documents, string $asOf): Proof
    {
        $fresh = array_map(
            static fn (array $lines): array => array_map(static fn (ProofLine $line): ProofLine => clone $line, $lines),
            $documents,
        );
        $source = self::createStub(ProofSource::class);
        $source->method('documents')->willReturn($fresh);
        $source->method('agreed')->willReturn(new Agreed);
        $source->method('handPairs')->willReturn(new HandPairs([], []));
        $source->method('itemsNameEntries')->willReturn(false);
        $source->method('elsewhere')->willReturn([]);
        $source->method('tax')->willReturn([]);

        return Proof::of($source, $asOf, 5, Currency::of('EUR'));
    }
}
