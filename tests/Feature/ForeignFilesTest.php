<?php

declare(strict_types=1);

namespace Tests\Feature;

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
        self::assertStringContainsString('1 lines are totals', implode(' ', $report->files[0]->notices));
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
