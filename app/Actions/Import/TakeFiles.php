<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\LateRow;
use Ajuste\Core\Exchange\LineReader;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\RateXml;
use Ajuste\Core\Exchange\RowAmount;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use App\Actions\Posting\PostedRows;
use App\Files\SourceFile;
use App\Files\Table;
use App\Models\ImportFile;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\Progress;

/** Reads files in their order and writes what they bring into the books at hand; the transaction is the caller's. */
final readonly class TakeFiles
{
    /** So many rows are read before it is said how far it is. */
    private const STEP = 500;

    /** So many of the rows that are passed over are named. */
    private const ROWS_NAMED = 8;

    public function __construct(private Settings $settings, private Actor $actor) {}

    /** @param  list<array{SourceFile, FileReport}>  $tables in their order */
    public function write(array $tables, ImportReport $report, int $importId, Progress $progress): void
    {
        $recorder = new PostedRows($this->actor);
        $books = new Books($recorder, $this->settings, $this->actor);
        $report->rowsExpected = array_sum(array_map(static fn (array $of): int => Table::lines($of[0]), $tables));
        foreach ($tables as [$file, $fileReport]) {
            $this->take($file, $fileReport, $report, $books, $importId, $progress);
        }
        $this->takeRestOfStatements($report, $books);
        $recorder->flush();
    }

    /**
     * The files with the way in which each is read, in the order in which they are taken in.
     *
     * @param list<SourceFile> $files
     * @return list<array{SourceFile, FileReport}>
     */
    public function tables(array $files, ImportReport $report): array
    {
        $tables = [];
        foreach ($files as $file) {
            try {
                if (StatementImporter::recognises($file)) {
                    $tables[] = [$file, new FileReport($file->name, StatementImporter::KIND)];

                    continue;
                }
                if (EInvoiceImporter::recognises($file)) {
                    $tables[] = [$file, new FileReport($file->name, EInvoiceImporter::KIND)];

                    continue;
                }
                $mapping = $file->mapping ?? FileMapping::of($file);
                $missing = $mapping->missing();
                if ($missing !== []) {
                    throw new Refusal(
                        "“{$file->name}” has no column for ".
                            implode(', ', $missing).
                            '. Name the column on the Intake page, or correct the headings.',
                    );
                }
                $fileReport = new FileReport($file->name, $mapping->kind->value, $mapping);
                if (! $mapping->isHouseFormat()) {
                    $fileReport->notices[] =
                        "Read as {$mapping->kind->value}: dates {$mapping->dates->words()}, decimals behind ".
                        "“{$mapping->decimalMark}”.";
                }
                $tables[] = [$file, $fileReport];
            } catch (Refusal $refusal) {
                $report->block($file->name, $refusal);
            }
        }
        $order = array_flip([...self::inOrder(), StatementImporter::KIND]);
        usort(
            $tables,
            static fn (array $one, array $other): int => [$order[$one[1]->kind], $one[0]->name] <=> [
                $order[$other[1]->kind],
                $other[0]->name,
            ],
        );

        return $tables;
    }

    private function take(
        SourceFile $file,
        FileReport $fileReport,
        ImportReport $report,
        Books $books,
        int $importId,
        Progress $progress,
    ): void {
        $record = new ImportFile([
            'import_id' => $importId,
            'name' => $file->name,
            'kind' => $fileReport->kind,
            'sha256' => (string) hash_file('sha256', $file->path),
            'bytes' => (int) filesize($file->path),
            'report' => '{}',
        ]);
        $record->save();
        $fileReport->fileId = $record->id;
        $mapping = $fileReport->mapping;
        if ($mapping === null) {
            $fileReport->kind === EInvoiceImporter::KIND
                ? $this->takeInvoice($file, $fileReport, $report, $books)
                : $this->takeStatement($file, $fileReport, $report, $books);

            return;
        }
        $report->files[] = $fileReport;
        try {
            if (Table::isRates($file) && $books->base()->code !== RateXml::BASE) {
                throw new Refusal(
                    "“{$file->name}” has rates for one EUR, and the books are kept in {$books->base()->code}. Hand in rates.csv.",
                );
            }
            $importer = $this->importer($mapping->kind, $fileReport, $books);
            $this->takeRows($file, $mapping, $importer, $fileReport, $report, $progress, $books->base());
            $books->record->settle();
        } catch (RowFault $fault) {
            // the file cannot be read on from here
            $report->block($file->name, new Refusal($fault->getMessage()));
        } catch (Refusal $refusal) {
            $report->block($file->name, $refusal);
        }
        if ($fileReport->rows === 0) {
            $fileReport->notices[] = 'The file has headings and no rows.';
        }
    }

    private function importer(FileKind $kind, FileReport $report, Books $books): Importer
    {
        return match ($kind) {
            FileKind::Calendar => new CalendarImporter($books, $report, $report->fileId),
            FileKind::AllowanceRates, FileKind::SpecificAllowances => new AllowanceImporter($books, $report, $report->fileId),
            FileKind::Items => new ItemsImporter($books, $report, $report->fileId),
            FileKind::Instalments => new InstalmentsImporter($books, $report, $report->fileId),
            FileKind::Matches => new MatchesImporter($books, $report, $report->fileId),
            FileKind::SupplierItems => new SupplierItemsImporter($books, $report, $report->fileId),
            FileKind::SupplierMatches => new SupplierMatchesImporter($books, $report, $report->fileId),
            FileKind::Ledger => new LedgerImporter($books, $report, $report->fileId),
            FileKind::BankLines => new BankLinesImporter($books, $report, $report->fileId),
            default => new ListImporter($books, $report, $report->fileId),
        };
    }

    /** @throws RowFault|Refusal when the file cannot be read on, or what it brings does not fit together */
    private function takeRows(
        SourceFile $file,
        Mapping $mapping,
        Importer $importer,
        FileReport $fileReport,
        ImportReport $report,
        Progress $progress,
        Currency $base,
    ): void {
        /** @var array<int, string> $lines rows that wait for the end of the file, as they stand there */
        $lines = [];
        $reader = new LineReader($mapping);
        $refuse = static function (int $number, RowFault $fault) use ($report, $fileReport, &$lines): void {
            $line = $lines[$number] ?? '';
            $report->refuse($fileReport, new RefusedRow(
                $fileReport->name, $number, $fault->field, $fault->value, $fault->expected, $line, $fileReport->fileId,
            ));
        };
        foreach (Table::rows($file) as $number => $cells) {
            if (++$report->rowsRead % self::STEP === 0) {
                $progress->at($report->rowsRead, $report->rowsExpected);
            }
            if ($number <= $mapping->headerRow) {
                $fileReport->unused = $number === $mapping->headerRow ? self::unused($cells, $mapping) : [];
                $reader->head($cells);

                continue;
            }
            $skipped = $reader->skips($cells);
            if ($skipped !== '') {
                $fileReport->skipped[$skipped][] = $number;

                continue;
            }
            $fileReport->rows++;
            $row = [];
            $before = [$fileReport->debits, $fileReport->credits];
            try {
                $row = $reader->row($cells);
                $outcome = $importer->take($row, $number);
                $outcome === null ? ($lines[$number] = self::line($cells)) : $fileReport->count($outcome);
            } catch (RowFault $fault) {
                $lines[$number] = self::line($cells);
                $before === [$fileReport->debits, $fileReport->credits] && $fileReport->sum(RowAmount::of($mapping->kind, $row, $base));
                $fault instanceof LateRow && LateNewsRow::mayBe($mapping->kind)
                    ? $report->hear($fileReport, new LateNewsRow($fileReport, $mapping->kind, $number, $row, $fault))
                    : $refuse($number, $fault);
                unset($lines[$number]);
            }
        }
        $importer->finish($refuse);
        self::sayWhatWasSkipped($fileReport);
    }

    private static function sayWhatWasSkipped(FileReport $fileReport): void
    {
        foreach ($fileReport->skipped as $why => $numbers) {
            $isOne = count($numbers) === 1;
            $more = count($numbers) - self::ROWS_NAMED;
            $rows = implode(', ', array_slice($numbers, 0, self::ROWS_NAMED)).($more > 0 ? " and {$more} more" : '');
            $fileReport->notices[] = count($numbers).match ($why) {
                'above' => $isOne ? ' line names the customer of the rows below it' : ' lines name the customer of the rows below them',
                'printed' => $isOne
                    ? ' line is a total, heading or print and is passed over'
                    : ' lines are totals, headings or print and are passed over',
                default => $isOne ? ' item has nothing open and is passed over' : ' items have nothing open and are passed over',
            }.": row {$rows}.";
        }
    }

    /** @return list<string> kinds of files in the order in which they are taken in; invoices by themselves come with the items */
    private static function inOrder(): array
    {
        $kinds = [];
        foreach (FileKind::cases() as $kind) {
            $kinds = $kind === FileKind::Items ? [...$kinds, $kind->value, EInvoiceImporter::KIND] : [...$kinds, $kind->value];
        }

        return $kinds;
    }

    private function takeInvoice(SourceFile $file, FileReport $fileReport, ImportReport $report, Books $books): void
    {
        $report->files[] = $fileReport;
        try {
            (new EInvoiceImporter($books, $fileReport))->take((string) file_get_contents($file->path));
        } catch (Refusal $refusal) {
            $report->block($file->name, $refusal);
        }
    }

    private function takeStatement(SourceFile $file, FileReport $fileReport, ImportReport $report, Books $books): void
    {
        $report->files[] = $fileReport;
        try {
            (new StatementImporter($books, $fileReport))->take((string) file_get_contents($file->path));
        } catch (Refusal $refusal) {
            $report->block($file->name, $refusal);
        }
    }

    /** Pages of statements whose other pages did not come. */
    private function takeRestOfStatements(ImportReport $report, Books $books): void
    {
        $statements = array_values(
            array_filter($report->files, static fn (FileReport $file): bool => $file->kind === StatementImporter::KIND),
        );
        $last = $statements[count($statements) - 1] ?? null;
        try {
            $last === null || (new StatementImporter($books, $last))->takeRest();
        } catch (Refusal $refusal) {
            $report->block($last->name, $refusal);
        }
    }

    /**
     * @param list<string> $cells
     * @return list<string>
     */
    private static function unused(array $cells, Mapping $mapping): array
    {
        return array_values(
            array_filter(
                $cells,
                static fn (string $heading, int $column): bool => $heading !== '' && ! in_array($column, $mapping->columns, true),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** @param  list<string>  $cells */
    private static function line(array $cells): string
    {
        return mb_strimwidth(implode(' | ', $cells), 0, 600, '…');
    }
}
