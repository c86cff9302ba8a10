<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Import\ImportFiles;
use App\Files\SourceFile;
use Illuminate\Support\Facades\DB;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Ods;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;
use ZipArchive;

/** Files that are damaged, or made to be hard to read, get a sentence and leave nothing behind. */
final class HostileSheetsTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics();
    }

    /** @param  array<string, string>  $cells */
    private function xlsx(array $cells): string
    {
        $sheet = new Spreadsheet;
        foreach ($cells as $place => $value) {
            $sheet->getActiveSheet()->setCellValue($place, $value);
        }
        (new Xlsx($sheet))->save("{$this->folder}/made.xlsx");

        return (string) file_get_contents("{$this->folder}/made.xlsx");
    }

    /** A sheet of one cell, with its XML changed. */
    private function ods(string $search, string $replace): string
    {
        $sheet = new Spreadsheet;
        $sheet->getActiveSheet()->setCellValue('A1', 'x');
        (new Ods($sheet))->save("{$this->folder}/made.ods");
        $zip = new ZipArchive;
        $zip->open("{$this->folder}/made.ods");
        $zip->addFromString('content.xml', (string) preg_replace($search, $replace, (string) $zip->getFromName('content.xml'), 1, $count));
        self::assertSame(1, $count);
        $zip->close();

        return (string) file_get_contents("{$this->folder}/made.ods");
    }

    private function says(string $name, string $content, string $words): void
    {
        $before = DB::table('items')->count();
        $report = $this->import([$name => $content]);
        $refused = $report->refused[0] ?? self::fail("{$name} was taken in");
        self::assertStringContainsString($words, "{$refused->field}: {$refused->expected}");
        self::assertSame($before, DB::table('items')->count());
    }

    public function test_a_cell_far_out(): void
    {
        $this->says('items.xlsx', $this->xlsx(['A1' => 'document', 'XFD1048576' => 'far']), 'a table of at most 1000 columns');
        $headings = ['A1' => 'document', 'B1' => 'kind', 'C1' => 'customer', 'D1' => 'date', 'E1' => 'due_date', 'F1' => 'currency',
            'G1' => 'amount', 'H1' => 'base_amount'];
        $row = ['A2' => 'I1', 'B2' => 'invoice', 'C2' => 'C1', 'D2' => '2026-10-01', 'E2' => '2026-11-01', 'F2' => 'EUR', 'G2' => '5.00'];
        $report = $this->import(['items.xlsx' => $this->xlsx([...$headings, ...$row, 'A900000' => ' '])]);
        self::assertSame([[], 1], [$report->refused, DB::table('items')->count()], 'a blank far down is no row');
    }

    public function test_cells_repeated_a_thousand_million_times(): void
    {
        $cell = '/<table:table-cell (table:style-name="[^"]*" )?office:value-type/';
        $columns = '<table:table-cell table:number-columns-repeated="60000" $1office:value-type';
        $this->says('items.ods', $this->ods($cell, $columns), 'repeats its cells');
        $rows = '<table:table-row table:number-rows-repeated="1048576">';
        $this->says('items.ods', $this->ods('/<table:table-row>/', $rows), 'repeats its cells');
        $this->says('items.ods', $this->ods('/x/', 'x'), 'no headings that are known');
    }

    public function test_columns_quotes_and_signs_that_never_end(): void
    {
        $wide = implode(',', array_map(static fn (int $n): string => "c{$n}", range(1, 60_000)))."\n";
        $this->says('items.csv', $wide.str_repeat('1,', 59_999)."1\n", 'at most 1000 columns');
        $this->says('items.csv', "document,kind\n".str_repeat('x', 1_500_000).",invoice\n", 'longer than a row');
        $quote = "document,kind,customer,date,due_date,currency,amount\n\"I1".str_repeat(str_repeat('x', 99)."\n", 20_000);
        $this->says('items.csv', $quote, 'a quote that begins in it did not end');
        foreach (['UTF-16LE' => "\xFF\xFE", 'UTF-16BE' => "\xFE\xFF"] as $encoding => $mark) {
            $text = $mark.mb_convert_encoding("document,kind\nI1,😀", $encoding, 'UTF-8');
            $this->says('items.csv', substr($text, 0, -1), 'This file is cut');
            $this->says('items.csv', substr($text, 0, -2), 'This file is cut');
        }
    }

    public function test_a_small_file_that_unpacks_to_a_large_sheet_is_long_work(): void
    {
        $path = "{$this->folder}/items.xlsx";
        file_put_contents($path, $this->xlsx(['A1' => 'x']));
        self::assertFalse(ImportFiles::areLong([new SourceFile('items.xlsx', $path)]));
        $zip = new ZipArchive;
        $zip->open($path);
        $zip->addFromString('xl/worksheets/sheet1.xml', str_repeat('<row/>', 1_000_000));
        $zip->close();
        self::assertLessThan(100_000, filesize($path));
        self::assertTrue(ImportFiles::areLong([new SourceFile('items.xlsx', $path)]));
        file_put_contents($path, 'no zip');
        self::assertFalse(ImportFiles::areLong([new SourceFile('items.xlsx', $path)]));
    }

    public function test_a_workbook_without_sheets(): void
    {
        $this->xlsx(['A1' => 'x']);
        $zip = new ZipArchive;
        $zip->open("{$this->folder}/made.xlsx");
        $book = (string) preg_replace('~<sheets>.*</sheets>~', '<sheets/>', (string) $zip->getFromName('xl/workbook.xml'));
        $zip->addFromString('xl/workbook.xml', $book);
        $zip->close();
        $this->says('items.xlsx', (string) file_get_contents("{$this->folder}/made.xlsx"), 'cannot be read as a sheet');
    }
}
