<?php

declare(strict_types=1);

namespace App\Queries;

use App\Files\SourceFile;
use App\Files\Table;
use App\Models\ImportFile;
use App\Support\KeptFiles;

/** The row of the imported file that something came from, with every column that the file had. */
final readonly class SourceRow
{
    /** @return ?array{file: ImportFile, row: int, cells: array<string, string>} */
    public function of(?int $importFileId, ?int $row): ?array
    {
        $file = ImportFile::query()->find($importFileId ?? 0);
        $path = KeptFiles::path($file->sha256 ?? '');
        if ($file === null || $row === null || ! is_file($path)) {
            return null;
        }
        $headings = [];
        foreach (Table::rows(new SourceFile($file->name, $path)) as $number => $cells) {
            $headings = $headings === [] || $number < 1 ? $cells : $headings;
            if ($number === $row) {
                $named = [];
                foreach ($cells as $place => $cell) {
                    $named[$headings[$place] ?? "column {$place}"] = $cell;
                }

                return ['file' => $file, 'row' => $row, 'cells' => $named];
            }
            if ($number > 200_000) {
                return ['file' => $file, 'row' => $row, 'cells' => []];
            }
        }

        return null;
    }
}
