<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Refusal;
use App\Files\SourceFile;
use App\Files\SourceFiles;
use App\Files\Table;
use Illuminate\Support\Facades\DB;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Ods;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;
use PHPUnit\Framework\Attributes\DataProvider;
use ZipArchive;

final class ImportTest extends BooksTestCase
{
    private const INVOICE = 'A,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,,,,';

    public function test_new_same_changed_and_vanished(): void
    {
        $this->importBasics(['items.csv' => self::items([self::INVOICE, 'B,invoice,C1,2026-10-02,2026-11-01,EUR,50.00,50.00,,,,'])]);
        $again = $this->import(['items.csv' => self::items([self::INVOICE, 'B,invoice,C1,2026-10-02,2026-11-01,EUR,50.00,50.00,,,,'])]);
        self::assertTrue($again->changesNothing());
        self::assertNull($again->importId);
        self::assertSame(1, DB::table('imports')->count());

        $changed = $this->import([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,120.00,120.00,,,,',
                'C,invoice,C2,2026-10-03,2026-10-31,EUR,7.00,7.00,,,,',
            ]),
        ]);
        self::assertSame(
            [1, 0, 1, 1],
            [$changed->files[0]->new, $changed->files[0]->same, $changed->files[0]->changed, $changed->files[0]->vanished],
        );
        self::assertSame(['B'], $changed->files[0]->vanishedNames);
        // The earlier version stays, superseded; what vanished is reported and never removed.
        self::assertSame([10000, 12000], DB::table('items')->where('document', 'A')->orderBy('version')->pluck('amount')->all());
        self::assertSame('177.00', $this->report('proof')['customers']);
        $this->assertBooksHold();
    }

    public function test_the_same_document_twice_in_a_file_is_two_items(): void
    {
        $this->importBasics(['items.csv' => self::items([self::INVOICE, self::INVOICE])]);
        self::assertSame([1, 2], DB::table('items')->orderBy('id')->pluck('occurrence')->all());
        self::assertTrue($this->import(['items.csv' => self::items([self::INVOICE, self::INVOICE])])->changesNothing());
    }

    public function test_control_totals_stand_beside_those_of_the_books(): void
    {
        $report = $this->importBasics([
            'items.csv' => self::items([self::INVOICE, 'R,receipt,C1,2026-10-05,,EUR,30.00,30.00,,,,']),
            'ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,100.00,,A,', 'E1,2026-10-01,4000,s,,100.00,A,']),
        ]);
        $items = $report->files[3];
        self::assertSame([10000, 3000, 10000, 3000], [$items->debits, $items->credits, $items->bookDebits, $items->bookCredits]);
        self::assertSame([10000, 10000], [$report->files[4]->debits, $report->files[4]->bookCredits]);
    }

    /** @return iterable<string, array{string, string, string, string}> file, row, column, what is expected */
    public static function badRows(): iterable
    {
        yield 'negative amount' => ['items.csv', 'X,invoice,C1,2026-10-01,2026-10-31,EUR,-5.00,-5.00,,,,', 'amount', 'positive'];
        yield 'zero amount' => ['items.csv', 'X,invoice,C1,2026-10-01,2026-10-31,EUR,0.00,0.00,,,,', 'amount', 'above zero'];
        yield 'too many decimals' => [
            'items.csv',
            'X,invoice,C1,2026-10-01,2026-10-31,EUR,5.005,5.005,,,,',
            'amount',
            'at most 2 decimals',
        ];
        yield 'decimals of yen' => ['items.csv', 'X,invoice,C1,2026-10-01,2026-10-31,JPY,5.5,5.00,,,,', 'amount', 'at most 0 decimals'];
        yield 'unknown customer' => ['items.csv', 'X,invoice,C9,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,', 'customer', 'customers.csv'];
        yield 'unknown currency' => ['items.csv', 'X,invoice,C1,2026-10-01,2026-10-31,EURO,5.00,5.00,,,,', 'currency', 'ISO 4217'];
        yield 'wrong date' => ['items.csv', 'X,invoice,C1,2026-02-30,2026-10-31,EUR,5.00,5.00,,,,', 'date', 'year, month, day'];
        yield 'base differs in base currency' => [
            'items.csv',
            'X,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.01,,,,',
            'base_amount',
            '5.00',
        ];
        yield 'foreign without base' => ['items.csv', 'X,invoice,C3,2026-10-01,2026-10-31,GBP,5.00,,,,,', 'base_amount', 'EUR'];
        yield 'side against the kind' => [
            'items.csv',
            'X,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,credit,,,',
            'side',
            'debit or blank',
        ];
        yield 'side missing' => ['items.csv', 'X,transfer,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,', 'side', 'debit or credit'];
        yield 'unknown kind' => ['items.csv', 'X,bill,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,', 'kind', 'invoice'];
        yield 'unknown control account' => [
            'items.csv',
            'X,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,9999',
            'control_account',
            'accounts.csv',
        ];
        yield 'exchange difference with an amount' => [
            'items.csv',
            'X,exchange_difference,C3,2026-10-01,2026-10-31,GBP,5.00,5.00,debit,A,,',
            'amount',
            'zero',
        ];
        yield 'exchange difference of nothing' => [
            'items.csv',
            'X,exchange_difference,C3,2026-10-01,2026-10-31,GBP,0,5.00,debit,NONE,,',
            'reference',
            'corrects',
        ];
        yield 'no document' => ['items.csv', ',invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,', 'document', 'a value'];
        yield 'formula' => ['items.csv', 'X,invoice,C1,2026-10-01,2026-10-31,EUR,=1+1,5.00,,,,', 'amount', 'a number'];
        yield 'both debit and credit' => ['ledger.csv', 'E,2026-10-01,1100,x,5.00,5.00,,', 'credit', 'exactly one'];
        yield 'neither debit nor credit' => ['ledger.csv', 'E,2026-10-01,1100,x,,,,', 'debit', 'debit or in credit'];
        yield 'negative debit' => ['ledger.csv', 'E,2026-10-01,1100,x,-5.00,,,', 'debit', 'positive'];
        yield 'unknown account' => ['ledger.csv', 'E,2026-10-01,9,x,5.00,,,', 'account', 'accounts.csv'];
        yield 'unknown setting' => ['settings.csv', 'colour,green', 'name', 'base_currency'];
        yield 'wrong setting' => ['settings.csv', 'buckets,90;30', 'value', 'ascending'];
        yield 'wrong rate' => ['rates.csv', '2026-10-01,GBP,-1,', 'rate', 'above zero'];
        yield 'wrong role' => ['accounts.csv', '1,A,asset,cash', 'role', 'receivables_control'];
    }

    #[DataProvider('badRows')]
    public function test_a_bad_row_is_named_and_nothing_is_stored(string $file, string $row, string $column, string $expected): void
    {
        $this->importBasics(['items.csv' => self::items([self::INVOICE])]);
        $before = $this->dump();
        $head = [
            'items.csv' => rtrim(self::items([]))."\n",
            'ledger.csv' => rtrim(self::ledger([]))."\n",
            'settings.csv' => "name,value\n",
            'rates.csv' => "date,currency,rate,quoted\n",
            'accounts.csv' => "account,name,type,role\n",
        ][$file];
        $report = $this->import([$file => $head.$row."\n", 'suppliers.csv' => "supplier,name,currency\nS1,Uno,EUR\n"]);

        self::assertNull($report->importId);
        self::assertCount(1, $report->refused);
        self::assertSame([$file, 2, $column], [$report->refused[0]->file, $report->refused[0]->row, $report->refused[0]->field]);
        self::assertStringContainsString($expected, $report->refused[0]->expected);
        self::assertSame($before, $this->dump());
    }

    public function test_refused_rows_can_be_set_aside_and_stay_on_the_list(): void
    {
        $this->importBasics();
        $report = $this->import(
            ['items.csv' => self::items([self::INVOICE, 'X,invoice,C9,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,'])],
            setAside: true,
        );
        self::assertNotNull($report->importId);
        self::assertSame(1, DB::table('items')->count());
        $row = DB::table('rows_set_aside')->first();
        self::assertSame([3, 'customer', 'C9'], [$row->row, $row->field, $row->value]);
        self::assertStringContainsString('X | invoice | C9', $row->line);
    }

    public function test_a_file_that_cannot_be_read_blocks_the_whole(): void
    {
        $this->importBasics();
        foreach (
            ['items.csv' => '', 'ledger.csv' => "\0\1\2binary", 'matches.csv' => "date;amount\n2026-10-01;5.00\n"] as $name => $content
        ) {
            $report = $this->import([$name => $content, 'suppliers.csv' => "supplier,name,currency\nS1,Uno,EUR\n"], setAside: true);
            self::assertTrue($report->blocked, $name);
            self::assertNull($report->importId);
        }
        self::assertSame(0, DB::table('suppliers')->count());
    }

    public function test_matches_follow_their_rules(): void
    {
        $items = self::items([
            self::INVOICE,
            'B,invoice,C2,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,',
            'R,receipt,C1,2026-10-05,,EUR,130.00,130.00,,,,',
            'G,invoice,C3,2026-09-01,2026-10-01,GBP,8000.00,9232.00,,,,',
            'S,receipt,C3,2026-10-12,,GBP,8000.00,9288.00,,,,',
        ]);
        $this->importBasics(['items.csv' => $items]);
        $head = "date,debit_document,credit_document,amount\n";
        $says = [
            '2026-10-04,A,R,10.00' => 'not before 2026-10-05',
            '2026-10-05,A,R,100.01' => 'at most 100.00',
            '2026-10-05,B,R,10.00' => 'same customer',
            '2026-10-05,A,NONE,10.00' => 'credit side',
            '2026-10-05,R,A,10.00' => 'debit side',
            '2026-10-05,A,R,0.00' => 'above zero',
            '2026-10-12,G,S,8000.00' => 'exchange difference of 56.00 EUR debit is missing',
        ];
        foreach ($says as $row => $expected) {
            $report = $this->import(['matches.csv' => "{$head}{$row}\n"], rehearse: true);
            self::assertCount(1, $report->refused, $row);
            self::assertStringContainsString($expected, $report->refused[0]->expected, $row);
        }
        $good = ['matches.csv' => "{$head}2026-10-05,A,R,60.00\n2026-10-06,A,R,40.00\n"];
        self::assertSame(2, $this->import($good)->files[0]->new);
        self::assertTrue($this->import($good)->changesNothing());
        self::assertSame(
            ['A', '2026-10-06', 10000],
            array_values(
                (array) DB::table('item_positions')
                    ->join('items', 'items.id', '=', 'row_id')
                    ->where('document', 'A')
                    ->first(['document', 'settled_on', 'matched']),
            ),
        );
        $this->assertBooksHold();
    }

    /** R9's figures through files: the realised difference is used up by the match, and nothing is left of the settled items. */
    public function test_imported_exchange_differences_make_up_for_what_a_match_moved(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'G,invoice,C3,2026-09-01,2026-10-01,GBP,8000.00,9232.00,,,,',
                'U,exchange_difference,C3,2026-09-30,,GBP,0,144.00,debit,G,,',
                'S,receipt,C3,2026-10-12,,GBP,8000.00,9288.00,,,,',
                'V,exchange_difference,C3,2026-10-12,,GBP,0,144.00,credit,G,,',
                'X,exchange_difference,C3,2026-10-12,,GBP,0,56.00,debit,G,,',
            ]),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-12,G,S,8000.00\n",
        ]);
        self::assertSame([], $this->report('aged', ['--as-of' => '2026-10-31'])['customers']);
        $september = $this->report('aged', ['--as-of' => '2026-09-30']);
        self::assertSame(['9376.00', '0.00', '0.00', '0.00', '0.00'], $september['customers'][0]['amounts']);
        self::assertSame('0.00', $this->report('proof')['customers']);
        $this->assertBooksHold();
    }

    public function test_a_changed_item_keeps_its_matches_or_is_refused(): void
    {
        $this->importBasics(['items.csv' => self::items([self::INVOICE, 'R,receipt,C1,2026-10-05,,EUR,60.00,60.00,,,,'])]);
        $this->match('C1', ['A' => '', 'R' => '']);
        $low = $this->import(['items.csv' => self::items(['A,invoice,C1,2026-10-01,2026-10-31,EUR,59.99,59.99,,,,'])]);
        self::assertStringContainsString('matched for more', $low->refused[0]->expected);
        self::assertSame(
            1,
            $this->import(['items.csv' => self::items(['A,invoice,C1,2026-10-01,2026-10-31,EUR,60.00,60.00,,,,'])])->files[0]->changed,
        );
        self::assertSame('2026-10-05', DB::table('item_positions')->where('item_id', $this->itemId('A'))->value('settled_on'));
        $this->assertBooksHold();
    }

    public function test_locked_days_take_nothing_new(): void
    {
        $this->importBasics(['items.csv' => self::items(['A,invoice,C1,2026-09-15,2026-10-31,EUR,100.00,100.00,,,,'])]);
        $this->lock('2026-09');
        $report = $this->import([
            'items.csv' => self::items([
                'A,invoice,C1,2026-09-15,2026-10-31,EUR,100.00,100.00,,,,',
                'N,invoice,C1,2026-09-30,2026-10-31,EUR,1.00,1.00,,,,',
                'A,invoice,C1,2026-10-15,2026-10-31,EUR,100.00,100.00,,,,',
            ]),
            'ledger.csv' => self::ledger(['E,2026-09-30,1100,x,1.00,,,']),
        ]);
        self::assertSame(
            ['items.csv 3', 'ledger.csv 2'],
            array_map(static fn (array $row): string => "{$row['file']} {$row['row']}", (array) $report->toArray()['late']),
        );
        self::assertStringContainsString('first open day is 2026-10-01', $report->late[0]->expected);
        self::assertSame(['A'], DB::table('items')->where('date', '<=', '2026-09-30')->pluck('document')->all());
        self::assertSame(0, DB::table('postings')->count());
    }

    public function test_sheets_are_read_alike_and_formulas_by_their_stored_result(): void
    {
        foreach (['xlsx' => Xlsx::class, 'ods' => Ods::class] as $extension => $writer) {
            $book = new Spreadsheet();
            $book
                ->getActiveSheet()
                ->fromArray([['date', 'currency', 'rate'], ['2026-10-31', 'GBP', 1.172], ['2026-10-30', 'JPY', 0.00617]], null, 'A1', true);
            $path = "{$this->folder}/rates.{$extension}";
            (new $writer($book))->save($path);
            self::assertSame(
                [['date', 'currency', 'rate'], ['2026-10-31', 'GBP', '1.172'], ['2026-10-30', 'JPY', '0.00617']],
                array_values(iterator_to_array(Table::rows(new SourceFile("rates.{$extension}", $path)))),
            );
            $book->getActiveSheet()->setCellValue('C2', '=1+0.172');
            (new $writer($book))->save($path);
            self::assertSame(
                ['2026-10-31', 'GBP', '1.172'],
                array_values(iterator_to_array(Table::rows(new SourceFile("rates.{$extension}", $path))))[1],
            );
        }
        $book = new Spreadsheet();
        $book->getActiveSheet()->fromArray([['date', 'currency', 'rate'], ['2026-10-31', 'GBP', '=1+0.172']]);
        $unsaved = new Xlsx($book);
        $unsaved->setPreCalculateFormulas(false)->save($path = "{$this->folder}/unsaved.xlsx");
        try {
            iterator_to_array(Table::rows(new SourceFile('unsaved.xlsx', $path)));
            self::fail('A formula without its result was taken.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('cell C2', $refusal->getMessage());
        }
        file_put_contents("{$this->folder}/bad.xlsx", 'no sheet');
        $this->expectException(Refusal::class);
        iterator_to_array(Table::rows(new SourceFile('bad.xlsx', "{$this->folder}/bad.xlsx")));
    }

    public function test_archives_are_opened_with_care(): void
    {
        $zip = static function (string $path, array $files): void {
            $archive = new ZipArchive();
            $archive->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            foreach ($files as $name => $content) {
                $archive->addFromString($name, $content);
            }
            $archive->close();
        };
        $scratch = "{$this->folder}/scratch";
        mkdir($scratch);
        $zip("{$this->folder}/good.zip", [
            'oct/items.csv' => 'x',
            '__MACOSX/items.csv' => 'y',
            'readme.md' => 'z',
            'oct/nested.zip' => 'n',
        ]);
        self::assertSame(
            ['items.csv'],
            array_map(static fn (SourceFile $file): string => $file->name, SourceFiles::at("{$this->folder}/good.zip", $scratch)),
        );
        foreach (['../items.csv', '/etc/items.csv', 'a/../../items.csv', 'C:\\items.csv', '..\\items.csv', "it\nems.csv"] as $odd) {
            $zip("{$this->folder}/odd.zip", [$odd => 'x']);
            try {
                SourceFiles::at("{$this->folder}/odd.zip", $scratch);
                self::fail("“{$odd}” was unpacked.");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('odd.zip', $refusal->getMessage());
            }
        }
        file_put_contents("{$this->folder}/no.zip", 'no archive');
        $this->expectException(Refusal::class);
        SourceFiles::at("{$this->folder}/no.zip", $scratch);
    }

    public function test_ledger_lines_that_change_are_kept_in_versions(): void
    {
        $this->importBasics(['ledger.csv' => self::ledger(['E,2026-10-01,1100,x,10.00,,A,', 'E,2026-10-01,1100,x,20.00,,B,'])]);
        $report = $this->import(['ledger.csv' => self::ledger(['E,2026-10-01,1100,x,10.00,,A,', 'E,2026-10-01,1100,x,25.00,,B,'])]);
        self::assertSame([1, 1, 0], [$report->files[0]->same, $report->files[0]->changed, $report->files[0]->vanished]);
        self::assertSame('35.00', $this->report('proof')['control']);
        $this->assertBooksHold();
    }

    /** Everything that an import could have left behind. */
    private function dump(): string
    {
        $all = [];
        foreach (
            [
                'imports',
                'import_files',
                'items',
                'postings',
                'matches',
                'settings',
                'accounts',
                'suppliers',
                'customers',
                'rates',
                'control_days',
                'item_positions',
                'audit_records',
                'rows_set_aside',
                'mappings',
            ] as $table
        ) {
            $all[$table] = DB::table($table)->get()->all();
        }

        return serialize($all);
    }

    public function test_two_imports_of_the_same_file_are_compared(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,,,,',
                'B,invoice,C1,2026-10-02,2026-11-01,EUR,50.00,50.00,,,,',
                'C,invoice,C2,2026-10-02,2026-11-01,EUR,9.00,9.00,,,,',
            ]),
        ]);
        $this->import([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,120.00,120.00,,,,',
                'C,invoice,C2,2026-10-02,2026-11-01,EUR,9.00,9.00,,,,',
                'D,invoice,C2,2026-10-05,2026-11-04,EUR,7.00,7.00,,,,',
            ]),
        ]);
        $file = (int) DB::table('import_files')->where('kind', 'items')->max('id');
        $this->actingAs($this->person('reader'));
        $this->get('/intake/imports/2')->assertSee('items.csv against the one before');
        $this->get("/intake/compare?file={$file}")
            ->assertOk()
            ->assertSee('1 added, 1 changed, 1 vanished, 1 the same')
            ->assertSee('100.00 → 120.00');
        $this->get('/intake/compare?file=999')->assertStatus(422);
        $this->get('/intake/compare?file='.DB::table('import_files')->min('id'))->assertStatus(422);
    }

    public function test_a_row_that_is_refused_for_its_terms_leaves_nothing_when_it_is_set_aside(): void
    {
        $this->importBasics();
        $head = "document,kind,customer,date,due_date,currency,amount,base_amount,terms\n";
        $report = $this->import(['items.csv' => $head
            ."P1,invoice,C1,2026-10-01,2026-11-01,EUR,100.00,100.00,30% net 0 + 50% net 60\n"
            ."P2,invoice,C1,2026-10-01,2026-11-01,EUR,100.00,100.00,30% net 0 + 70% net 60\n"], setAside: true);
        self::assertSame(1, $report->refusedCount);
        self::assertSame(['P2'], DB::table('items')->where('document', 'like', 'P%')->pluck('document')->all());
        self::assertSame(2, DB::table('instalments')->count());
        $this->assertBooksHold();
    }

    public function test_rows_of_one_file_are_known_to_those_below_them_however_many_are_written_together(): void
    {
        $this->importBasics();
        $rows = $lines = [];
        for ($n = 0; $n < 120; $n++) {
            $document = 'D'.intdiv($n, 3);
            $rows[] = "{$document},invoice,C1,2026-10-0".(1 + $n % 3).',2026-11-01,EUR,10.00,10.00,,,,';
            $lines[] = 'E'.intdiv($n, 3).",2026-10-01,1100,s,10.00,,{$document},";
        }
        $files = ['items.csv' => self::items($rows), 'ledger.csv' => self::ledger($lines)];
        self::assertNotNull($this->import($files)->importId);
        foreach (['items', 'postings'] as $table) {
            self::assertSame([40, 40, 40], DB::table($table)->groupBy('occurrence')->pluck(DB::raw('count(*)'))->all(), $table);
        }
        $again = $this->import($files);
        self::assertSame([0, 0], array_map(static fn ($file): int => $file->counts['new'] ?? 0, $again->files));
        self::assertSame(120, DB::table('item_positions')->count());
        $this->assertBooksHold();
    }
}
