<?php

declare(strict_types=1);

namespace App\Files;

use Ajuste\Core\Exchange\CsvReader;
use Ajuste\Core\Exchange\RateXml;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Refusal;
use Generator;
use PhpOffice\PhpSpreadsheet\Cell\Cell;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use Throwable;
use XMLReader;
use ZipArchive;

/** The rows of a file as text, whatever it is written in. */
final class Table
{
    private const LARGEST_SHEET = 80 * 1024 * 1024;

    private const MOST_REPEATED = 50_000;

    /**
     * @return Generator<int, list<string>> cells by row number, 1 the first
     *
     * @throws Refusal when the file cannot be read as a table
     */
    public static function rows(SourceFile $file): Generator
    {
        return match (true) {
            in_array($file->extension(), ['xlsx', 'ods'], true) => self::sheet($file),
            self::isRates($file) => self::rates($file),
            default => self::text($file),
        };
    }

    /** Whether it is a list of rates in the form of the European Central Bank. */
    public static function isRates(SourceFile $file): bool
    {
        return RateXml::recognises((string) file_get_contents($file->path, false, null, 0, 4_096));
    }

    /** @return Generator<int, list<string>> */
    private static function rates(SourceFile $file): Generator
    {
        foreach (RateXml::rows((string) file_get_contents($file->path)) as $place => $cells) {
            yield $place + 1 => $cells;
        }
    }

    /**
     * @return list<list<string>> the first lines, from line 1 on
     *
     * @throws Refusal when the file cannot be read as a table
     */
    public static function head(SourceFile $file, int $lines = 40): array
    {
        $head = [];
        foreach (self::rows($file) as $number => $cells) {
            while (count($head) < $number - 1 && count($head) < $lines) {
                $head[] = [''];
            }
            if (count($head) >= $lines) {
                break;
            }
            $head[] = $cells;
        }

        return $head;
    }

    /** How many lines a file of text has, about; 0: it is none, or a sheet. */
    public static function lines(SourceFile $file): int
    {
        $stream = $file->extension() === 'csv' ? fopen($file->path, 'rb') : false;
        $lines = 0;
        while ($stream !== false && ! feof($stream)) {
            $lines += substr_count((string) fread($stream, 1 << 20), "\n");
        }

        return $lines;
    }

    /** @return Generator<int, list<string>> */
    private static function text(SourceFile $file): Generator
    {
        $stream = fopen($file->path, 'rb') ?: throw new Refusal("“{$file->name}” cannot be opened.");
        try {
            yield from CsvReader::rows($stream);
        } finally {
            fclose($stream);
        }
    }

    /** @return Generator<int, list<string>> */
    private static function sheet(SourceFile $file): Generator
    {
        self::refuseLarge($file);
        $file->extension() === 'ods' && self::refuseRepeated($file);
        try {
            $reader = IOFactory::createReader($file->extension() === 'ods' ? 'Ods' : 'Xlsx');
            $book = $reader->load($file->path);
        } catch (Throwable $problem) {
            throw new Refusal("“{$file->name}” cannot be read as a sheet ({$problem->getMessage()}). Save it again as XLSX, ODS or "
                .'CSV.');
        }
        try {
            yield from self::cells($book->getSheet(0), $file);
        } finally {
            $book->disconnectWorksheets();
        }
    }

    /**
     * Row by row the cells that there are: one that stands far out brings no others with it.
     *
     * @return Generator<int, list<string>>
     */
    private static function cells(Worksheet $sheet, SourceFile $file): Generator
    {
        $row = 0;
        $texts = [];
        foreach ($sheet->getCellCollection()->getSortedCoordinates() as $coordinate) {
            [$column, $number] = Coordinate::indexesFromString($coordinate);
            if ($column > CsvReader::MOST_COLUMNS) {
                $most = CsvReader::MOST_COLUMNS;
                throw new RowFault("cell {$coordinate}", '', "a table of at most {$most} columns is expected in “{$file->name}”");
            }
            if ($number !== $row && implode('', $texts) !== '') {
                yield $row => $texts;
            }
            if ($number !== $row) {
                [$row, $texts] = [$number, []];
            }
            array_push($texts, ...array_fill(0, $column - 1 - count($texts), ''), ...[self::cell($sheet->getCell($coordinate), $file)]);
        }
        if (implode('', $texts) !== '') {
            yield $row => $texts;
        }
    }

    /** @throws RowFault when it is a formula without its result */
    private static function cell(Cell $cell, SourceFile $file): string
    {
        $isFormula = $cell->getDataType() === DataType::TYPE_FORMULA;
        // What the sheet worked out itself stands beside the formula; it is never worked out here.
        $value = $isFormula ? $cell->getOldCalculatedValue() : $cell->getValue();
        if ($isFormula && ! is_scalar($value)) {
            throw new RowFault(
                "cell {$cell->getCoordinate()}",
                (string) $cell->getValueString(),
                "the result of the formula is expected in “{$file->name}”; open it, save it again with its results",
            );
        }

        return match (true) {
            is_int($value), is_float($value) => Date::isDateTime($cell)
                ? Date::excelToDateTimeObject($value)->format('Y-m-d')
                : self::number($value),
            $isFormula => is_numeric($value) ? self::number((float) $value) : trim((string) $value),
            default => trim($cell->getValueString()),
        };
    }

    /** A sheet keeps numbers in binary; 15 significant figures are what it shows and all that it can be trusted for. */
    private static function number(int|float $value): string
    {
        return is_int($value)
            ? (string) $value
            : rtrim(rtrim(number_format($value, max(0, 14 - (int) floor(log10(max(1.0, abs($value))))), '.', ''), '0'), '.');
    }

    /**
     * An ODS says how often a row and a cell stand there: a few bytes may be a thousand million cells.
     *
     * @throws Refusal when it repeats cells more often than a list does
     */
    private static function refuseRepeated(SourceFile $file): void
    {
        $reader = new XMLReader;
        if (! @$reader->open("zip://{$file->path}#content.xml")) {
            return; // it is no sheet, which is said when it is read
        }
        $cells = 0;
        $rows = 1;
        while (@$reader->read()) {
            $repeated = static fn (string $of): int => max(1, (int) $reader->getAttribute("table:number-{$of}-repeated"));
            if ($reader->nodeType === XMLReader::ELEMENT && $reader->name === 'table:table-row') {
                $rows = $repeated('rows');
            } elseif ($reader->nodeType === XMLReader::ELEMENT && $reader->getAttribute('office:value-type') !== null) {
                $cells += $rows * $repeated('columns') - 1;
            }
            if ($cells > self::MOST_REPEATED) {
                throw new Refusal("“{$file->name}” repeats its cells more often than a list does. Save what is filled in as CSV.");
            }
        }
        $reader->close();
    }

    /** In bytes as it is read: a sheet unpacked. Null where it is no sheet, though its name says so. */
    public static function size(SourceFile $file): ?int
    {
        if (! in_array($file->extension(), ['xlsx', 'ods'], true)) {
            return (int) filesize($file->path);
        }
        $zip = new ZipArchive();
        if ($zip->open($file->path, ZipArchive::RDONLY) !== true) {
            return null;
        }
        $size = 0;
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $entry = $zip->statIndex($place);
            $size += is_array($entry) ? (int) $entry['size'] : 0;
        }

        return $size;
    }

    private static function refuseLarge(SourceFile $file): void
    {
        $size = self::size($file)
            ?? throw new Refusal("“{$file->name}” is not a sheet that can be opened. Save it again as XLSX, ODS or CSV.");
        if ($size > self::LARGEST_SHEET) {
            throw new Refusal("“{$file->name}” is too large for a sheet. Save it as CSV, which is read row by row.");
        }
    }
}
