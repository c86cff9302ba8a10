<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;

/** Files of other systems, from the command line and the page alike. */
final class ForeignFilesTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'customers.csv' => "customer,name,currency\n10001,Mesón Acequia,EUR\n10002,Hullhaven Deli,GBP\n10003,Colmado Retama,EUR\n",
            'rates.csv' => "date,currency,rate\n2026-10-01,GBP,1.1500\n",
        ]);
    }

    /** @return list<string> document, kind, customer, amount, currency, base, due */
    private function openItems(): array
    {
        return array_values(DB::table('items as i')->join('customers as c', 'c.id', '=', 'i.customer_id')->orderBy('i.document')
            ->get(['i.document', 'i.kind', 'c.customer', 'i.amount', 'i.currency', 'i.base', 'i.due_date'])
            ->map(static fn (object $of): string => implode(' ', (array) $of))->all());
    }

    public function test_an_open_list_with_names_totals_and_signs_is_read_whole(): void
    {
        $csv = "Offene Posten Debitoren;;;;;\nStichtag 31.10.2026;;;;;\nDebitor;Belegart;Belegnummer;Belegdatum;Fälligkeit;Betrag\n"
            ."10001 Mesón Acequia;RE;F1;16.09.2026;16.10.2026;1.234,50\n10001 Mesón Acequia;GS;F2;02.09.2026;02.09.2026;100,00-\n"
            ."10002 - Hullhaven Deli;RE;F3;03.10.2026;02.11.2026;200,00\nmeson acequia;ZE;F4;04.10.2026;;-50,00\nSumme;;;;;1.284,50\n";
        $report = $this->import(['op-liste.csv' => mb_convert_encoding($csv, 'Windows-1252')]);
        self::assertSame([], $report->refused);
        self::assertSame([
            'F1 invoice 10001 123450 EUR 123450 2026-10-16', 'F2 credit_note 10001 10000 EUR 10000 2026-09-02',
            'F3 invoice 10002 20000 GBP 23000 2026-11-02', 'F4 receipt 10001 5000 EUR 5000 2026-10-04',
        ], $this->openItems());
        self::assertStringContainsString('1 line is a total', implode(' ', $report->files[0]->notices));
    }

    public function test_the_customer_may_stand_in_a_line_above_the_rows(): void
    {
        $csv = "Open items as of 31/10/2026,,,,\nDocument,Date,Due date,Type,Amount\nCustomer No: 10001 Mesón Acequia,,,,\n"
            ."F1,16/09/2026,16/10/2026,Invoice,1234.50\nF2,22/09/2026,22/09/2026,Credit note,100.00\nTotal 10001,,,,1134.50\n"
            ."Hullhaven Deli,,,,\nF3,03/10/2026,02/11/2026,Invoice,200.00\n10003,Colmado Retama,Madrid,,\nF4,24/10/2026,,Payment,50.00\n"
            ."Grand total,,,,1284.50\n";
        $report = $this->import(['open.csv' => $csv]);
        self::assertSame([], $report->refused);
        self::assertSame([
            'F1 invoice 10001 123450 EUR 123450 2026-10-16', 'F2 credit_note 10001 10000 EUR 10000 2026-09-22',
            'F3 invoice 10002 20000 GBP 23000 2026-11-02', 'F4 receipt 10003 5000 EUR 5000 2026-10-24',
        ], $this->openItems());
        $said = '3 lines name the customer of the rows below them: row 3, 7, 9.';
        self::assertContains($said, $report->files[0]->notices);
        $nobody = str_replace('Hullhaven Deli,', 'Nobody Known,', $csv);
        self::assertSame('a customer of customers.csv is expected', $this->import(['open.csv' => $nobody])->refused[0]->expected);
        $once = "Document,Date,Due date,Amount\nsomething,,,\nF5,23/10/2026,02/11/2026,200.00\n";
        self::assertTrue($this->import(['open.csv' => $once])->blocked, 'one such line makes no grouped list');
    }

    /** What a list has no column for is left as it stands: another currency, group, control account and bank account are not taken away. */
    public function test_a_list_of_customers_without_currency_leaves_what_it_does_not_say(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,terms,group,iban,credit_limit\n"
            ."10002,Hullhaven Deli,GBP,net 45,export,GB29NWBK60161331926819,5000.00\n"]);
        $report = $this->import(['kunden.csv' => "Kd.-Nr.;Firma;E-Mail\n10002;Hullhaven Deli & Sons;deli@example.com\n10009;Neuer Laden;\n"
            ."10010;Noch ein Laden;laden@example.com\n"]);
        self::assertSame([], $report->refused);
        $kept = DB::table('customers')->whereIn('customer', ['10002', '10009'])->orderBy('customer')
            ->get(['name', 'currency', 'terms', 'customer_group', 'iban', 'credit_limit', 'email']);
        self::assertSame([
            ['Hullhaven Deli & Sons', 'GBP', 'net 45', 'export', 'GB29NWBK60161331926819', 500000, 'deli@example.com'],
            ['Neuer Laden', 'EUR', '', '', '', null, ''],
        ], $kept->map(static fn (object $of): array => array_values((array) $of))->all());
        // Items of the new ones are taken in beside them, each in its customer's currency.
        $report = $this->import(['items.csv' => "Document,Customer no,Invoice date,Due date,Amount\nF1,10002,03/10/2026,16/11/2026,10.00\n"
            ."F2,10010,22/10/2026,22/11/2026,20.00\n"]);
        self::assertSame([], $report->refused);
        self::assertSame(['GBP', 'EUR'], DB::table('items')->orderBy('document')->pluck('currency')->all());
    }

    public function test_words_for_kinds_that_are_not_known_are_asked_once_and_remembered(): void
    {
        $list = static fn (int $n): string => "Document No,Customer No,Date,Due date,Type,Amount\n"
            ."F{$n}0,10001,16/09/2026,16/10/2026,RV,5.00\nF{$n}1,10003,17/09/2026,17/10/2026,DZ,7.00\n"
            ."F{$n}2,10003,18/09/2026,18/10/2026,invoice,8.00\n";
        $report = $this->import(['open.csv' => $list(1)]);
        self::assertTrue($report->blocked);
        self::assertStringContainsString('What these kinds of documents are is not known here: RV, DZ.', $report->refused[0]->expected);
        $this->actingAs($this->person());
        $waiting = function (int $n) use ($list): string {
            $files = ['files' => [UploadedFile::fake()->createWithContent('open.csv', $list($n))]];

            return (string) $this->post('/intake', $files)->headers->get('location');
        };
        $at = $waiting(1);
        $this->get($at)->assertOk()->assertSee('What the kinds of documents are')->assertSee('What RV is')->assertSee('What DZ is');
        $this->post("{$at}/mapping", [
            'file' => 'open.csv', 'kind' => 'items', 'header_row' => '1', 'dates' => 'dmy', 'decimal_mark' => '.', 'habit' => 'foreign',
            'columns' => ['document' => '0', 'customer' => '1', 'date' => '2', 'due_date' => '3', 'kind' => '4', 'amount' => '5'],
            'word' => ['RV', 'DZ', 'x', ['y']], 'meaning' => ['invoice', 'receipt', 'moon', 'invoice'],
        ])->assertRedirect();
        $this->get($at)->assertOk()->assertSee('What rv is')->assertDontSee('leaves something open');
        $this->post("{$at}/commit")->assertRedirect();
        $this->post($waiting(2).'/commit')->assertRedirect();
        self::assertSame(
            ['invoice', 'receipt', 'invoice', 'invoice', 'receipt', 'invoice'],
            DB::table('items')->orderBy('document')->pluck('kind')->all(),
            'the second file of this shape is read as was said of the first',
        );
    }

    public function test_a_sheet_with_results_of_formulas_and_days_of_its_own(): void
    {
        $sheet = new Spreadsheet;
        $sheet->getActiveSheet()->fromArray([
            ['Invoice No.', 'Customer No.', 'Invoice Date', 'Due Date', 'Debit', 'Credit'],
            ['F1', '10001', 46326, 46356, '=100+20.5', null], ['F2', '10003', 46327, 46327, null, 30.25],
        ], null, 'A1', true);
        (new Xlsx($sheet))->save("{$this->folder}/open.xlsx");
        $report = $this->import(['open.xlsx' => (string) file_get_contents("{$this->folder}/open.xlsx")]);
        self::assertSame([], $report->refused);
        self::assertSame(
            ['F1 invoice 10001 12050 EUR 12050 2026-11-30', 'F2 credit_note 10003 3025 EUR 3025 2026-11-01'], $this->openItems(),
        );
    }

    public function test_what_is_open_is_asked_and_a_person_decides(): void
    {
        $list = "Invoice No,Customer No,Date,Amount\nF1,10001,03/04/2026,5.00\nF2,10003,05/06/2026,7.00\n";
        $report = $this->import(['open.csv' => $list]);
        self::assertTrue($report->blocked);
        self::assertStringContainsString('day and month or as month and day', $report->refused[0]->expected);
        $journal = "Account,Name,Date,Journal,Debit,Credit\n1100,Receivables,13/10/2026,J1,5.00,\n4000,Sales,13/10/2026,J1,,5.00\n";
        $report = $this->import(['export.csv' => $journal]);
        self::assertSame('ledger', $report->files[0]->kind);
        self::assertSame(3, DB::table('customers')->count(), 'accounts did not become customers');
        $report = $this->import(['things.csv' => "Colour,Size,Weight\nred,L,5.00\n"]);
        self::assertStringContainsString('no headings that are known', $report->refused[0]->expected);
        self::assertSame([], $this->openItems());
    }
}
