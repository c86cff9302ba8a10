<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\SafeCell;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;

/**
 * A table as a sheet that one would keep: what it is and on what basis, headings that stay and filter, amounts as numbers, days as days,
 * sums as formulas. Every other text stays text, so that nothing is taken for a formula.
 */
final readonly class SheetWriter
{
    private const WIDEST = 60;

    private const DAY = '/^\d{4}-\d{2}-\d{2}$/D';

    private Worksheet $sheet;

    private Spreadsheet $book;

    /**
     * @param non-empty-list<list<string>> $rows headings first
     * @param list<int> $numeric columns that hold amounts, 0 the first
     */
    private function __construct(private array $rows, private array $numeric, private ?SheetHead $head)
    {
        $this->book = new Spreadsheet();
        $this->sheet = $this->book->getActiveSheet();
    }

    /**
     * @param non-empty-list<list<string>> $rows headings first
     * @param list<int> $numeric
     */
    public static function of(array $rows, array $numeric, ?SheetHead $head): string
    {
        return (new self($rows, $numeric, $head))->written();
    }

    private function written(): string
    {
        $top = $this->title();
        $data = count($this->rows) - 1 - ($this->head?->sums === true ? 1 : 0) - ($this->head->after ?? 0);
        foreach ($this->rows as $place => $cells) {
            $isSum = $this->head?->sums === true && $place === $data + 1 && $data > 0;
            foreach ($cells as $column => $text) {
                $this->cell($column, $top + $place, $text, $place === 0, $isSum ? [$top + 1, $top + $data] : null);
            }
        }
        $columns = count($this->rows[0]);
        $last = Coordinate::stringFromColumnIndex(max(1, $columns));
        $this->sheet->getStyle("A{$top}:{$last}{$top}")->getFont()->setBold(true);
        $this->sheet->setAutoFilter("A{$top}:{$last}".($top + max(0, $data)));
        $this->sheet->freezePane('A'.($top + 1));
        $this->widths($columns);

        return $this->saved();
    }

    /** @return int the row of the headings */
    private function title(): int
    {
        if ($this->head === null) {
            return 1;
        }
        $this->sheet->setCellValueExplicit('A1', SafeCell::of($this->head->title), DataType::TYPE_STRING);
        $this->sheet->setCellValueExplicit('A2', SafeCell::of($this->head->basis), DataType::TYPE_STRING);
        $this->sheet->getStyle('A1')->getFont()->setBold(true)->setSize(14);

        return 4;
    }

    /** @param  ?array{int, int}  $sum first and last row that the cell sums */
    private function cell(int $column, int $row, string $text, bool $isHeading, ?array $sum): void
    {
        $cell = $this->sheet->getCell([$column + 1, $row]);
        $isAmount = ! $isHeading && $text !== '' && in_array($column, $this->numeric, true);
        if ($isAmount) {
            $letter = Coordinate::stringFromColumnIndex($column + 1);
            $sum === null
                ? $cell->setValueExplicit($text, DataType::TYPE_NUMERIC)
                : $cell->setValueExplicit("=SUM({$letter}{$sum[0]}:{$letter}{$sum[1]})", DataType::TYPE_FORMULA);
            $decimals = strlen(explode('.', $text)[1] ?? '') ?: 2;
            $cell->getStyle()->getNumberFormat()->setFormatCode('#,##0.'.str_repeat('0', $decimals));
        } elseif (! $isHeading && preg_match(self::DAY, $text) === 1 && is_float($day = Date::stringToExcel($text))) {
            $cell->setValueExplicit($day, DataType::TYPE_NUMERIC);
            $cell->getStyle()->getNumberFormat()->setFormatCode('yyyy-mm-dd');
        } else {
            $said = $isHeading && $this->head !== null ? ucfirst(str_replace('_', ' ', $text)) : $text;
            $cell->setValueExplicit(SafeCell::of($said), DataType::TYPE_STRING);
        }
    }

    private function widths(int $columns): void
    {
        for ($column = 0; $column < $columns; $column++) {
            $longest = max(array_map(static fn (array $cells): int => mb_strlen($cells[$column] ?? ''), $this->rows));
            $this->sheet->getColumnDimensionByColumn($column + 1)->setWidth(min(self::WIDEST, max(8, $longest + 2)));
        }
    }

    private function saved(): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'ajuste');
        (new Xlsx($this->book))->save($file);
        $content = (string) file_get_contents($file);
        unlink($file);

        return $content;
    }
}
