<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\CsvWriter;
use Illuminate\Http\Response;

/** A table as a file: CSV or XLSX. */
final class Download
{
    private const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

    /**
     * @param non-empty-list<list<string>> $rows headings first
     * @param list<int> $numeric columns that hold amounts, 0 the first
     */
    public static function table(
        array $rows,
        string $name,
        string $format,
        array $numeric = [],
        ?SheetHead $head = null,
    ): Response {
        return $format === 'xlsx'
            ? self::send(SheetWriter::of($rows, $numeric, $head), "{$name}.xlsx", self::XLSX)
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
}
