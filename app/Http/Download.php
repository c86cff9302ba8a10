<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\CsvWriter;
use Ajuste\Core\Exchange\SafeCell;
use Illuminate\Http\Response;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;

/**
 * A table as a file: CSV or XLSX. Amounts become numbers in a sheet, everything else stays text, so that nothing is taken for a formula.
 */
final class Download
{
    /**
     * @param non-empty-list<list<string>> $rows headings first
     * @param list<int> $numeric columns that hold amounts, 0 the first
     */
    public static function table(array $rows, string $name, string $format, array $numeric = []): Response
    {
        return $format === 'xlsx'
            ? self::send(self::sheet($rows, $numeric), "{$name}.xlsx", 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')
            : self::send(implode('', array_map(CsvWriter::line(...), $rows)), "{$name}.csv", 'text/csv; charset=UTF-8');
    }

    public static function send(string $content, string $name, string $type): Response
    {
        return response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^\w.-]/', '_', $name).'"',
        ]);
    }

    /**
     * A table as a page shows it. Columns of which every cell is an amount become numbers in a sheet.
     *
     * @param non-empty-list<list<string>> $rows headings first
     */
    public static function shown(array $rows, string $name, string $format): Response
    {
        $plain = static fn (string $cell): string => preg_match('/^−?[\d,]+(\.\d+)?$/u', $cell) === 1
            ? str_replace([',', '−'], ['', '-'], $cell)
            : $cell;
        $rows = array_map(static fn (array $cells): array => array_map($plain, $cells), $rows);
        $numeric = array_values(
            array_filter(
                array_keys($rows[0]),
                static fn (int $column): bool => array_filter(
                    array_slice($rows, 1),
                    static fn (array $cells): bool => preg_match('/^(-?\d+\.\d+|·?)$/D', $cells[$column] ?? '') !== 1,
                ) === [],
            ),
        );
        $rows = array_map(
            static fn (array $cells): array => array_map(static fn (string $cell): string => $cell === '·' ? '' : $cell, $cells),
            $rows,
        );

        return self::table($rows, $name, $format, $numeric);
    }

    /**
     * @param non-empty-list<list<string>> $rows
     * @param list<int> $numeric
     */
    private static function sheet(array $rows, array $numeric): string
    {
        $book = new Spreadsheet();
        $sheet = $book->getActiveSheet();
        foreach ($rows as $row => $cells) {
            foreach ($cells as $column => $text) {
                $isAmount = $row > 0 && in_array($column, $numeric, true) && $text !== '';
                $cell = $sheet->getCell([$column + 1, $row + 1]);
                $cell->setValueExplicit(
                    $isAmount ? $text : SafeCell::of($text),
                    $isAmount ? DataType::TYPE_NUMERIC : DataType::TYPE_STRING,
                );
                if ($isAmount) {
                    $cell
                        ->getStyle()
                        ->getNumberFormat()
                        ->setFormatCode('#,##0.'.str_repeat('0', strlen(explode('.', $text)[1] ?? '') ?: 2));
                }
            }
        }
        $sheet->freezePane('A2');
        $file = (string) tempnam(sys_get_temp_dir(), 'ajuste');
        (new Xlsx($book))->save($file);
        $content = (string) file_get_contents($file);
        unlink($file);

        return $content;
    }
}
