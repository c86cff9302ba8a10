<?php

declare(strict_types=1);

namespace Tests\Core\Aging;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Aging\AgedSums;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Aging\DueWeek;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\ContestedIn;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\TestCase;

final class AgedListTest extends TestCase
{
    /** @param  list<AgedItem>  $items */
    private function list(array $items, Credits $credits = Credits::Separate, bool $byDue = true): AgedList
    {
        return AgedList::of(
            '2026-10-31',
            AgeBuckets::parse('30,60,90', $byDue ? AgedBasis::DueDate : AgedBasis::DocumentDate),
            $credits,
            $items,
        );
    }

    private function debit(int $base, string $due, string $customer = 'A', string $currency = 'EUR'): AgedItem
    {
        return new AgedItem($customer, $customer, $currency, $base, Side::Debit, '2026-07-01', $due);
    }

    private function credit(int $base, string $date, string $customer = 'A', string $currency = 'EUR'): AgedItem
    {
        return new AgedItem($customer, $customer, $currency, -$base, Side::Credit, $date, $date);
    }

    public function test_what_falls_due_in_the_weeks_to_come(): void
    {
        $items = [
            $this->debit(1, '2026-10-31'), $this->debit(2, '2026-11-01'), $this->debit(4, '2026-11-07'), $this->debit(8, '2026-11-08'),
            $this->debit(16, '2026-11-14'), $this->debit(32, '2026-11-15'), $this->credit(64, '2026-11-02'), $this->debit(-3, '2026-11-03'),
        ];
        self::assertSame(['2026-11-01 2026-11-07 3', '2026-11-08 2026-11-14 24'], array_map(
            static fn (DueWeek $of): string => "{$of->from} {$of->to} {$of->base}",
            DueWeek::after('2026-10-31', 2, $items),
        ));
    }

    public function test_columns_by_due_date(): void
    {
        $list = $this->list([
            $this->debit(100, '2026-10-31'),
            $this->debit(200, '2026-10-30'),
            $this->debit(300, '2026-09-30'),
            $this->debit(400, '2026-08-02'),
            $this->debit(500, '2026-08-01'),
            $this->credit(50, '2026-10-01'),
        ]);
        self::assertSame([100, 200, 300, 400, 500], $list->rows[0]->amounts);
        self::assertSame(-50, $list->rows[0]->unapplied);
        self::assertSame(1450, $list->rows[0]->total);
    }

    public function test_by_document_date_there_is_no_not_due(): void
    {
        self::assertSame([0, 0, 0, 300], $this->list([$this->debit(300, '2026-12-31')], byDue: false)->rows[0]->amounts);
    }

    public function test_credits_by_their_own_date_and_against_the_oldest(): void
    {
        $items = [$this->debit(100, '2026-10-31'), $this->debit(200, '2026-07-01'), $this->credit(250, '2026-09-15')];
        self::assertSame([100, 0, -250, 0, 200], $this->list($items, Credits::OwnDate)->rows[0]->amounts);
        $set = $this->list($items, Credits::OldestFirst)->rows[0];
        self::assertSame([50, 0, 0, 0, 0], $set->amounts);
        self::assertSame(0, $set->unapplied);
        $more = $this->list([...$items, $this->credit(90, '2026-10-30')], Credits::OldestFirst)->rows[0];
        self::assertSame([[0, 0, 0, 0, 0], -40], [$more->amounts, $more->unapplied]);
    }

    public function test_what_is_contested_has_its_own_column_where_the_policy_says_so(): void
    {
        $old = new AgedItem('A', 'A', 'EUR', 500, Side::Debit, '2026-07-01', '2026-07-31', 120);
        $whole = new AgedItem('A', 'A', 'EUR', 80, Side::Debit, '2026-10-01', '2026-10-31', 80);
        $items = [$old, $whole, $this->credit(700, '2026-10-01')];
        self::assertSame([80, 0, 0, 0, 500], $this->list($items)->rows[0]->amounts);
        $apart = AgedList::of(
            '2026-10-31',
            AgeBuckets::parse('30,60,90', AgedBasis::DueDate, ContestedIn::Column),
            Credits::OldestFirst,
            $items,
        );
        self::assertSame('contested', $apart->buckets->labels[5]);
        self::assertSame([[0, 0, 0, 0, 0, 200], -320], [$apart->rows[0]->amounts, $apart->rows[0]->unapplied]);
        $labels = static fn (AgedItem $item): array => array_map($apart->label(...), $apart->parts($item));
        self::assertSame([['over_90', 'contested'], ['contested']], [$labels($old), $labels($whole)]);
    }

    public function test_one_row_for_each_customer_and_currency_and_none_that_is_nil(): void
    {
        $list = $this->list([
            $this->debit(100, '2026-10-31'),
            $this->debit(70, '2026-10-31', 'A', 'GBP'),
            $this->debit(5, '2026-10-31', 'B'),
            $this->debit(-5, '2026-10-31', 'B'),
        ]);
        self::assertSame(
            ['A EUR', 'A GBP'],
            array_map(static fn (AgedRow $row): string => "{$row->customer} {$row->currency}", $list->rows),
        );
    }

    public function test_an_exchange_difference_stands_in_the_column_of_its_source(): void
    {
        $source = new AgedItem('A', 'A', 'GBP', 9232_00, Side::Debit, '2026-07-01', '2026-09-10');
        $loss = new AgedItem('A', 'A', 'GBP', -144_00, Side::Debit, '2026-07-01', '2026-09-10');
        self::assertSame([0, 0, 9088_00, 0, 0], $this->list([$source, $loss])->rows[0]->amounts);
    }

    public function test_rows_and_columns_add_up_whatever_is_in_them(): void
    {
        mt_srand(5);
        foreach (Credits::cases() as $credits) {
            $items = [];
            $sum = 0;
            for ($n = 0; $n < 2000; $n++) {
                $date = sprintf('2026-%02d-%02d', mt_rand(1, 12), mt_rand(1, 28));
                $items[] = $item =
                    mt_rand(0, 3) > 0
                        ? $this->debit(mt_rand(-50, 9999), $date, 'C'.mt_rand(1, 40), ['EUR', 'GBP'][mt_rand(0, 1)])
                        : $this->credit(mt_rand(1, 9999), $date, 'C'.mt_rand(1, 40));
                $sum += $item->base;
            }
            $list = $this->list($items, $credits);
            self::assertSame($sum, $list->totals->total);
            self::assertSame(7, AgedSums::of($list)->difference(Money::ofMinor($sum + 7, 'EUR'))->minor);
            self::assertSame($sum, array_sum(array_map(static fn (AgedRow $row): int => $row->total, $list->rows)));
            foreach (array_keys($list->buckets->labels) as $column) {
                self::assertSame(
                    $list->totals->amounts[$column],
                    array_sum(array_map(static fn (AgedRow $row): int => $row->amounts[$column], $list->rows)),
                );
            }
        }
    }

    public function test_the_same_figures_by_another_name_and_document_by_document(): void
    {
        $items = [
            1 => $this->debit(100, '2026-10-31'), 2 => $this->debit(200, '2026-10-30'), 3 => $this->credit(50, '2026-10-01'),
            4 => $this->debit(300, '2026-08-01', 'B', 'GBP'), 5 => $this->debit(0, '2026-08-01', 'B', 'GBP'),
        ];
        $list = $this->list($items, Credits::OldestFirst);
        $said = static function (AgedRow $row): string {
            $amounts = implode(',', $row->amounts);

            return "{$row->customer}|{$row->name} {$amounts}|{$row->unapplied}={$row->total}";
        };
        self::assertSame(
            ['all' => '|all 100,150,0,0,300|0=550'],
            array_map($said, $list->summed(static fn (): string => 'all')),
        );
        self::assertSame(
            ['EUR' => '|EUR 100,150,0,0,0|0=250', 'GBP' => '|GBP 0,0,0,0,300|0=300'],
            array_map($said, $list->summed(static fn (AgedRow $row): string => $row->currency)),
        );
        self::assertSame([
            1 => 'A|A 100,0,0,0,0|0=100', 2 => 'A|A 0,200,0,0,0|0=200', 3 => 'A|A 0,0,0,0,0|-50=-50', 4 => 'B|B 0,0,0,0,300|0=300',
        ], array_map($said, $list->documents($items)), 'credits stay with themselves, what comes to nothing is left out');
        self::assertSame(
            $list->totals->total, array_sum(array_map(static fn (AgedRow $row): int => $row->total, $list->documents($items))),
        );
    }

    public function test_what_changed_since_an_earlier_day(): void
    {
        $then = $this->list([$this->debit(100, '2026-10-30'), $this->debit(70, '2026-10-30', 'B'), $this->debit(9, '2026-10-30', 'D')]);
        $now = $this->list([$this->debit(40, '2026-10-30'), $this->debit(30, '2026-11-30', 'C'), $this->debit(9, '2026-10-30', 'D')]);
        self::assertSame(
            ["A\0EUR" => [0, -60], "B\0EUR" => [0, -70], "C\0EUR" => [30, 0], "D\0EUR" => [0, 0]],
            array_map(static fn (AgedRow $row): array => array_slice($row->amounts, 0, 2), $now->since($then)),
        );
        $this->expectExceptionMessage('only by the same columns');
        $now->since($this->list([], byDue: false));
    }

    public function test_how_much_is_overdue_and_with_how_few(): void
    {
        $list = $this->list([
            $this->debit(600, '2026-11-30'), $this->debit(200, '2026-10-30', 'B'), $this->debit(100, '2026-09-30', 'C'),
            $this->debit(100, '2026-09-30', 'C', 'GBP'), $this->credit(500, '2026-10-01', 'D'),
        ]);
        $sums = AgedSums::of($list);
        self::assertSame([400, 600, 800, 1000], [
            $sums->overdue(), $sums->concentration(1), $sums->concentration(2), $sums->concentration(9),
        ], 'in tenths of a percent; who is in credit owes nothing');
        $of = fn (AgedItem ...$items): AgedSums => AgedSums::of($this->list($items));
        $cent = $of($this->debit(1, '2026-10-30'));
        self::assertSame(1000, $cent->concentration(1), 'a cent is owed too');
        self::assertSame([null, null], [$of()->overdue(), $of()->concentration(1)]);
        self::assertNull(AgedSums::of($this->list([$this->debit(1, '2026-10-30')], byDue: false))->overdue());
        $parts = [
            $of($this->debit(600, '2026-11-30'), $this->credit(500, '2026-10-01', 'D')), $of($this->debit(200, '2026-10-30', 'B')),
            $of($this->debit(100, '2026-09-30', 'C'), $this->debit(100, '2026-09-30', 'C', 'GBP')),
        ];
        self::assertEquals($sums, $parts[1]->plus($parts[2])->plus($parts[0]), 'in parts it comes to the same');
        self::assertEquals($sums, AgedSums::kept($this->list([]), $sums->listed()), 'kept and read again');
        $many = array_map(fn (int $n): AgedItem => $this->debit($n, '2026-10-30', "C{$n}"), range(1, 12));
        self::assertSame([12, 11, 10, 9, 8, 7, 6, 5, 4, 3], $of(...$many)->largest);
    }
}
