<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Import\FileReport;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\ImportReport;
use App\Actions\Import\RefusedRows;
use App\Files\SourceFiles;
use Illuminate\Support\Facades\File;

final class ImportCommand extends BooksCommand
{
    protected $signature =
        'ajuste:import {path} {--dry-run : show what would happen} {--set-aside : put refused rows on the list of '.'Intake} {--json}';

    protected $description = 'Takes a folder, a zip or a file into the books';

    public function handle(ImportFiles $import): int
    {
        $path = (string) $this->argument('path');
        $scratch = sys_get_temp_dir().'/ajuste-'.bin2hex(random_bytes(8));
        mkdir($scratch, 0700);
        try {
            $files = SourceFiles::at($path, $scratch);
            $report = $this->option('dry-run')
                ? $import->rehearse($files)
                : $import->post(
                    $files,
                    $this->option('set-aside') === true ? RefusedRows::SetAside : RefusedRows::RefuseAll,
                    basename($path),
                );
        } finally {
            File::deleteDirectory($scratch);
        }
        $this->option('json') ? $this->json($report->toArray()) : $this->show($report);
        if ($report->refusedCount > 0 && $report->importId === null) {
            return $this->refuse($this->refusals($report));
        }

        return self::SUCCESS;
    }

    private function show(ImportReport $report): void
    {
        $this->table(
            ['file', 'rows', 'new', 'same', 'changed', 'confirms', 'vanished', 'refused'],
            array_map(
                static fn (FileReport $file): array => [
                    $file->name,
                    $file->rows,
                    $file->new,
                    $file->same,
                    $file->changed,
                    $file->confirms,
                    $file->vanished,
                    $file->refused,
                ],
                $report->files,
            ),
        );
        if ($report->late !== []) {
            $this->line(count($report->late).' rows are dated in a locked period: late news, not in effect until a person decides.');
        }
        $this->line(
            match (true) {
                $report->importId !== null => "Committed as import {$report->importId}.",
                $report->refusedCount > 0 => 'Nothing was stored.',
                $report->changesNothing() => 'Nothing new: the books have all of it.',
                default => 'Rehearsed; nothing was stored.',
            },
        );
    }

    private function refusals(ImportReport $report): string
    {
        $lines = ["{$report->refusedCount} rows are refused; nothing was stored."];
        foreach (array_slice($report->refused, 0, 20) as $row) {
            $lines[] =
                $row->row === 0 ? $row->expected : "{$row->file}, "
                    ."row {$row->row}, {$row->field} "."“{$row->value}”: {$row->expected}.";
        }

        return implode("\n", $lines);
    }
}
