<?php

declare(strict_types=1);

namespace App\Actions\Import;

use App\Actions\Posting\Once;
use App\Actions\Posting\PreparedPosting;
use App\Actions\Receipts\SetAsideRules;
use App\Files\SourceFile;
use App\Files\Table;
use App\Models\Import;
use App\Models\ImportFile;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Cancelled;
use App\Support\Changes;
use App\Support\CopyOfBooks;
use App\Support\IndexesAside;
use App\Support\KeptFiles;
use App\Support\Moment;
use App\Support\Progress;
use App\Support\Unwatched;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Takes files into the books as one. A rehearsal does everything that posting does, in a copy of the books: what it shows is what posting
 * will do. Large files are prepared in a copy too, so that others can go on writing until what they bring is carried over.
 */
final class ImportFiles
{
    /** In bytes: from here on it is quicker to have all that is remembered worked out anew than to count each row. */
    private const LARGE = 512 * 1024;

    public function __construct(
        private readonly TakeFiles $files,
        private readonly Settings $settings,
        private readonly AuditTrail $audit,
        private readonly Actor $actor,
        private readonly SetAsideRules $rules,
        private readonly NeedlessCorrections $needless,
        private readonly PreparedPosting $prepared,
    ) {}

    /**
     * @param list<SourceFile> $files
     *
     * @throws Cancelled
     */
    public function rehearse(array $files, Progress $progress = new Unwatched()): ImportReport
    {
        try {
            return CopyOfBooks::try(function () use ($files, $progress): ImportReport {
                $report = new ImportReport();
                DB::beginTransaction(); // never committed: it goes with the copy
                $tables = $this->files->tables($files, $report);
                $write = fn (): int => $this->write($tables, $report, $progress);
                IndexesAside::while(self::bytes($files), $write, $this->needless->mayBe());
                $report->needless = $report->refusedCount === 0 ? $this->needless->count() : 0;

                return $report;
            });
        } finally {
            $this->settings->forget();
        }
    }

    /**
     * @param list<SourceFile> $files
     * @param string $source where the files came from, for the list of imports
     * @param string $key names this import, so that a request sent again finds it done; blank: none
     *
     * @throws Cancelled
     */
    public function post(
        array $files,
        RefusedRows $rows,
        string $source,
        string $key = '',
        Progress $progress = new Unwatched(),
    ): ImportReport {
        $post = fn (): ImportReport => $this->take($files, $rows, $source, $key, $progress);
        try {
            return self::areLong($files) ? $this->prepared->post($post) : $post();
        } finally {
            $this->settings->forget();
        }
    }

    /**
     * Whether files are long work, which is prepared beside the books.
     *
     * @param list<SourceFile> $files
     */
    public static function areLong(array $files): bool
    {
        return self::bytes($files) > config()->integer('ajuste.long_files');
    }

    /** @param  list<SourceFile>  $files */
    private static function bytes(array $files): int
    {
        return array_sum(array_map(static fn (SourceFile $file): int => Table::size($file) ?? 0, $files));
    }

    /** @param  list<SourceFile>  $files */
    private function take(array $files, RefusedRows $rows, string $source, string $key, Progress $progress): ImportReport
    {
        $report = new ImportReport();
        $tables = $this->files->tables($files, $report);
        DB::beginTransaction();
        try {
            $write = fn (): bool => $this->writeAndKeep($tables, $report, $rows, $source, $progress);
            $kept = ! $this->isDone($key, $report) && IndexesAside::while(self::bytes($files), $write);
            if ($kept) {
                $this->finish($report, $source, $key);
            }
            $kept ? DB::commit() : DB::rollBack();
        } catch (Throwable $problem) {
            DB::rollBack();
            throw $problem;
        }

        return $report;
    }

    private function isDone(string $key, ImportReport $report): bool
    {
        $done = $key === '' ? null : Once::result($key);
        $report->importId = $done === null ? null : (int) $done;

        return $done !== null;
    }

    /**
     * Writes what the files bring, and that they brought it, unless it is refused or known already.
     *
     * @param list<array{SourceFile, FileReport}> $tables
     */
    private function writeAndKeep(array $tables, ImportReport $report, RefusedRows $rows, string $source, Progress $progress): bool
    {
        $importId = $this->write($tables, $report, $progress);
        $kept = $report->mayBeKept($rows) && ! $report->changesNothing();
        if ($kept) {
            $this->keep($importId, $source, $tables, $report);
        }

        return $kept;
    }

    /**
     * @param list<array{SourceFile, FileReport}> $tables
     * @return int the number of the import
     */
    private function write(array $tables, ImportReport $report, Progress $progress): int
    {
        $importId = (int) DB::table('imports')->max('id') + 1;
        $write = fn () => $this->files->write($tables, $report, $importId, $progress);
        self::bytes(array_column($tables, 0)) > self::LARGE ? Changes::together($write) : $write();

        return $importId;
    }

    /** What becomes of it in the transaction by which it is in the books. */
    private function finish(ImportReport $report, string $source, string $key): void
    {
        $this->rules->apply();
        $each = static fn (string $of): array => array_map(static fn (FileReport $file): int => (int) $file->{$of}, $report->files);
        $count = static fn (string $of): int => array_sum($each($of));
        $this->audit->record('import', "import {$report->importId}", '', [
            'source' => $source,
            'files' => count($report->files),
            'new' => $count('new'),
            'changed' => $count('changed'),
            'set_aside' => $report->refusedCount,
            'late' => count($report->late),
        ]);
        if ($key !== '') {
            DB::table('posting_keys')->insert(['key' => $key, 'result' => (string) $report->importId, 'recorded_at' => Moment::now()]);
        }
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
        $report->importId = $importId;
    }
}
