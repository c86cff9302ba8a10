<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Foreign\ForeignGuess;
use Ajuste\Core\Exchange\Habit;
use Ajuste\Core\Exchange\LateRow;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Exchange\RateXml;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Refusal;
use App\Actions\Posting\PostedRows;
use App\Actions\Receipts\SetAsideRules;
use App\Files\SourceFile;
use App\Files\Table;
use App\Models\Import;
use App\Models\ImportFile;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Changes;
use App\Support\KeptFiles;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/**
 * Takes files into the books as one. A rehearsal does everything that posting does, in the same transaction, and takes it back: what
 * it shows is what posting will do.
 */
final class ImportFiles
{
    /** In bytes: from here on it is quicker to have all that is remembered worked out anew than to count each row. */
    private const LARGE = 512 * 1024;

    /** Lines from which it is guessed how a file is written. */
    private const LOOKED_AT = 2_000;

    public function __construct(
        private readonly Settings $settings,
        private readonly AuditTrail $audit,
        private readonly Actor $actor,
        private readonly SetAsideRules $rules,
        private readonly NeedlessCorrections $needless,
    ) {}

    /** @param  list<SourceFile>  $files */
    public function rehearse(array $files): ImportReport
    {
        return $this->run($files, null, '');
    }

    /**
     * @param list<SourceFile> $files
     * @param string $source where the files came from, for the list of imports
     * @param string $key names this import, so that a request sent again finds it done; blank: none
     */
    public function post(array $files, RefusedRows $rows, string $source, string $key = ''): ImportReport
    {
        return $this->run($files, $rows, $source, $key);
    }

    /**
     * @param list<SourceFile> $files
     * @param ?RefusedRows $rows null: it is only rehearsed
     */
    private function run(array $files, ?RefusedRows $rows, string $source, string $key = ''): ImportReport
    {
        $report = new ImportReport();
        $tables = $this->tables($files, $report);
        DB::beginTransaction();
        try {
            $done = $key === '' ? null : DB::table('posting_keys')->where('key', $key)->value('result');
            if (is_string($done)) {
                $report->importId = (int) $done;

                return $report;
            }
            $recorder = new PostedRows($this->actor);
            $books = new Books($recorder, $this->settings, $this->actor);
            $importId = (int) DB::table('imports')->max('id') + 1;
            $write = function () use ($tables, $report, $books, $importId, $recorder): void {
                foreach ($tables as [$file, $fileReport]) {
                    $this->take($file, $fileReport, $report, $books, $importId);
                }
                $this->takeRestOfStatements($report, $books);
                $recorder->flush();
                $this->rules->apply();
            };
            self::isLarge($tables) ? Changes::together($write) : $write();
            $good = $report->mayBeKept($rows);
            if ($rows !== null && $good && ! $report->changesNothing()) {
                $this->keep($importId, $source, $tables, $report);
                if ($key !== '') {
                    DB::table('posting_keys')->insert(['key' => $key, 'result' => (string) $importId, 'recorded_at' => Moment::now()]);
                }
                DB::commit();
                $report->importId = $importId;
            } else {
                $report->needless = $rows === null && $good ? $this->needless->count() : 0;
                DB::rollBack();
            }
        } finally {
            if (DB::transactionLevel() > 0) {
                DB::rollBack();
            }
            $this->settings->forget();
        }

        return $report;
    }

    /**
     * The files with the way in which each is read, in the order in which they are taken in.
     *
     * @param list<SourceFile> $files
     * @return list<array{SourceFile, FileReport}>
     */
    private function tables(array $files, ImportReport $report): array
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
                $mapping = $file->mapping ?? self::mappingOf($file);
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

    /**
     * How a file is read: as a person decided for files of its shape, else as its own lines suggest.
     *
     * @throws Refusal when nothing suggests it, or its dates can be read in two ways
     */
    public static function mappingOf(SourceFile $file): Mapping
    {
        $head = Table::head($file, self::LOOKED_AT);
        if ($head === []) {
            throw new Refusal("“{$file->name}” is empty. A row of headings and rows below it are expected.");
        }
        foreach (array_slice($head, 0, 15) as $line => $cells) {
            $stored = DB::table('mappings')->where('shape', MappingGuess::shape($cells))->value('mapping');
            if (is_string($stored)) {
                /**
                 * @var array{
                 *     kind: string, header_row: int, columns: array<string, int>, dates: string, decimal_mark: string,
                 *     fixed: array<string, string>
                 * } $remembered
                 */
                $remembered = json_decode($stored, true, flags: JSON_THROW_ON_ERROR);

                return Mapping::fromArray([...$remembered, 'header_row' => $line + 1]);
            }
        }
        $guess =
            MappingGuess::of($head, $file->kind) ??
            throw new Refusal(
                "“{$file->name}” has no headings that are known here. Say on the Intake page what its columns are; found are: ".
                    mb_substr(implode(', ', $head[0]), 0, 200).
                    '.',
            );
        self::refuseOpen($file, $guess, $head);

        return $guess;
    }

    /**
     * @param list<list<string>> $head
     *
     * @throws UnclearDates when a person has to say how it is written
     */
    private static function refuseOpen(SourceFile $file, Mapping $guess, array $head): void
    {
        $open = $guess->habit === Habit::Foreign ? ForeignGuess::leavesOpen($guess, $head) : [];
        if ($open !== []) {
            $says = implode(' ', $open);
            throw new UnclearDates(
                "“{$file->name}” leaves something open. {$says} Say which on the Intake page; it is remembered.",
                $guess,
            );
        }
        if (
            $guess->habit === Habit::House &&
            ! $guess->isHouseFormat() &&
            count(
                array_filter(
                    MappingGuess::datesThatFit($guess, array_slice($head, $guess->headerRow)),
                    static fn ($order): bool => $order->value !== 'ymd',
                ),
            ) > 1
        ) {
            throw new UnclearDates(
                "The dates of “{$file->name}” can be read as day and month or as month and day. Say which on the Intake page; it is ".
                    'remembered.',
                $guess,
            );
        }
    }

    private function take(SourceFile $file, FileReport $fileReport, ImportReport $report, Books $books, int $importId): void
    {
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
            $this->takeRows($file, $mapping, $this->importer($mapping->kind, $fileReport, $books), $fileReport, $report);
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
    private function takeRows(SourceFile $file, Mapping $mapping, Importer $importer, FileReport $fileReport, ImportReport $report): void
    {
        /** @var array<int, string> $lines rows that wait for the end of the file, as they stand there */
        $lines = $headings = [];
        $refuse = static function (int $number, RowFault $fault) use ($report, $fileReport, &$lines): void {
            $report->refuse(
                $fileReport,
                new RefusedRow(
                    $fileReport->name,
                    $number,
                    $fault->field,
                    $fault->value,
                    $fault->expected,
                    $lines[$number] ?? '',
                    $fileReport->fileId,
                ),
            );
        };
        foreach (Table::rows($file) as $number => $cells) {
            if ($number <= $mapping->headerRow) {
                $fileReport->unused = $number === $mapping->headerRow ? self::unused($cells, $mapping) : [];
                $headings = $cells;

                continue;
            }
            $skipped = $mapping->skips($cells, $headings);
            if ($skipped !== '') {
                $fileReport->skipped[$skipped][] = $number;

                continue;
            }
            $fileReport->rows++;
            $row = [];
            try {
                $row = $mapping->row($cells);
                $outcome = $importer->take($row, $number);
                $outcome === null ? ($lines[$number] = self::line($cells)) : $fileReport->count($outcome);
            } catch (RowFault $fault) {
                $lines[$number] = self::line($cells);
                $fault instanceof LateRow && LateNewsRow::mayBe($mapping->kind)
                    ? $report->hear($fileReport, new LateNewsRow($fileReport, $mapping->kind, $number, $row, $fault))
                    : $refuse($number, $fault);
                unset($lines[$number]);
            }
        }
        $importer->finish($refuse);
        foreach ($fileReport->skipped as $why => $numbers) {
            $rows = implode(', ', array_slice($numbers, 0, 8)).(count($numbers) > 8 ? ' ...' : '');
            $what = $why === 'printed' ? ' lines are totals, headings or print' : ' items have nothing open';
            $fileReport->notices[] = count($numbers)."{$what} and are passed over: row {$rows}.";
        }
    }

    /** @param  list<array{SourceFile, FileReport}>  $tables */
    private static function isLarge(array $tables): bool
    {
        return array_sum(array_map(static fn (array $table): int => (int) filesize($table[0]->path), $tables)) > self::LARGE;
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

    /** @param  list<array{SourceFile, FileReport}>  $tables */
    private function keep(int $importId, string $source, array $tables, ImportReport $report): void
    {
        $import = new Import(['id' => $importId, 'source' => $source, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
        $import->save();
        foreach ($tables as [$file, $fileReport]) {
            $record = ImportFile::query()->findOrFail($fileReport->fileId);
            KeptFiles::keep($file->path);
            $record->update([
                'report' => json_encode(
                    $fileReport->toArray(),
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE,
                ),
                'first_date' => $fileReport->firstDate,
                'last_date' => $fileReport->lastDate,
            ]);
        }
        foreach ($report->refused as $row) {
            DB::table('rows_set_aside')->insert([
                'import_file_id' => $row->fileId,
                'row' => $row->row,
                'field' => $row->field,
                'value' => $row->value,
                'expected' => $row->expected,
                'line' => $row->line,
                'recorded_at' => Moment::now(),
            ]);
        }
        foreach ($report->late as $row) {
            DB::table('late_rows')->insert($row->toRow());
        }
        $each = static fn (string $of): array => array_map(static fn (FileReport $file): int => (int) $file->{$of}, $report->files);
        $count = static fn (string $of): int => array_sum($each($of));
        $this->audit->record('import', "import {$importId}", '', [
            'source' => $source,
            'files' => count($report->files),
            'new' => $count('new'),
            'changed' => $count('changed'),
            'set_aside' => $report->refusedCount,
            'late' => count($report->late),
        ]);
    }
}
