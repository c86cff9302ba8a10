<?php

declare(strict_types=1);

namespace Tests\Feature;

use SimpleXMLElement;
use ZipArchive;

/** Sheets that one would keep, read here from their XML (ECMA-376) and recomputed without the library that wrote them. */
final class SheetsTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'customers.csv' => "customer,name,currency\nC1,Uno,EUR\nC2,=1+1,EUR\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-08-01,2026-09-01,EUR,100.10,100.10,,,E1,', 'I2,invoice,C2,2026-10-01,2026-11-01,EUR,50.05,50.05,,,E2,',
                'R1,receipt,C1,2026-10-10,,EUR,40.00,40.00,,,E3,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-08-01,1100,s,100.10,,I1,', 'E2,2026-10-01,1100,s,50.05,,I2,', 'E3,2026-10-10,1100,s,,41.00,R1,',
            ]),
        ]);
        $this->actingAs($this->person());
    }

    /** @return array<string, array{text: string, formula: string}> by address */
    private function cells(string $page): array
    {
        $file = "{$this->folder}/sheet.xlsx";
        file_put_contents($file, (string) $this->get($page)->assertOk()->getContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open($file));
        $texts = [];
        foreach ((new SimpleXMLElement((string) $zip->getFromName('xl/sharedStrings.xml')))->si as $text) {
            $texts[] = (string) $text->t;
        }
        $sheet = new SimpleXMLElement((string) $zip->getFromName('xl/worksheets/sheet1.xml'));
        $cells = [];
        foreach ($sheet->sheetData->row as $row) {
            foreach ($row->c as $cell) {
                $value = (string) $cell->v;
                $cells[(string) $cell['r']] = [
                    'text' => (string) $cell['t'] === 's' ? $texts[(int) $value] : $value, 'formula' => (string) $cell->f,
                ];
            }
        }
        self::assertSame('A4', explode(':', (string) ($sheet->autoFilter['ref'] ?? ''))[0], 'the headings filter');
        self::assertSame('frozen', (string) $sheet->sheetViews->sheetView->pane['state']);

        return $cells;
    }

    /**
     * What the sums come to, added up in whole cents.
     *
     * @param array<string, array{text: string, formula: string}> $cells
     * @return array<string, string> by column
     */
    private static function sums(array $cells): array
    {
        $sums = [];
        foreach ($cells as ['text' => $shown, 'formula' => $formula]) {
            if (preg_match('/^SUM\(([A-Z]+)(\d+):\1(\d+)\)$/', $formula, $range) === 1) {
                $cents = 0;
                for ($row = (int) $range[2]; $row <= (int) $range[3]; $row++) {
                    $cents += (int) round(100 * (float) ($cells["{$range[1]}{$row}"]['text'] ?? 0));
                }
                self::assertSame($cents, (int) round(100 * (float) $shown), "what is stored beside {$formula}");
                $sums[$range[1]] = sprintf('%d.%02d', intdiv($cents, 100), abs($cents % 100));
            }
        }

        return $sums;
    }

    public function test_the_aged_list_recomputes_to_the_same_figures(): void
    {
        $said = $this->report('aged')['totals'];
        $cells = $this->cells('/aged.xlsx');
        self::assertSame(['Aged receivables of 1100 Receivables, 2026-10-31', 'Customer'], [$cells['A1']['text'], $cells['A4']['text']]);
        self::assertStringContainsString('By due date', $cells['A2']['text']);
        self::assertSame([...$said['amounts'], $said['unapplied'], $said['total']], array_values(self::sums($cells)));
        self::assertContains("'=1+1", array_column($cells, 'text'), 'what looks like a formula is text');
        self::assertSame('109.15', sprintf('%.2f', $cells['J8']['text']), 'the control account below');
    }

    public function test_the_proof_recomputes_to_the_difference(): void
    {
        $said = $this->report('proof');
        $sums = self::sums($this->cells('/proof.xlsx'));
        self::assertSame('1.00', $sums['G']);
        self::assertSame($said['difference'], '-'.$sums['G']);
    }

    public function test_days_are_days(): void
    {
        $cells = $this->cells('/movement.xlsx');
        self::assertStringContainsString('2026-10-01 to 2026-10-31', $cells['A1']['text']);
        $rows = json_encode([['Document', 'Due', 'Open'], ['I1', '2026-09-01', '12.00']]);
        $file = "{$this->folder}/table.xlsx";
        file_put_contents($file, (string) $this->post('/table.xlsx', ['rows' => $rows])->assertOk()->getContent());
        $zip = new ZipArchive;
        $zip->open($file);
        // 1 September 2026 is day 46,266 after 30 December 1899.
        self::assertMatchesRegularExpression('~<v>46266(\.0)?</v>~', (string) $zip->getFromName('xl/worksheets/sheet1.xml'));
    }
}
