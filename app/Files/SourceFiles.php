<?php

declare(strict_types=1);

namespace App\Files;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Refusal;
use ZipArchive;

/** Collects the files of a folder, an archive or single paths, and refuses what no import should open. */
final class SourceFiles
{
    private const TABLES = ['csv', 'txt', 'tsv', 'xlsx', 'ods', 'xml', 'sta', 'mt940', '940'];

    private const MOST_FILES = 200;

    /**
     * The tables in a folder, an archive, or the file itself.
     *
     * @param string $scratch a folder of the caller's for what is unpacked
     * @return list<SourceFile>
     *
     * @throws Refusal when the path does not exist, holds no table, or the archive is unsafe
     */
    public static function at(string $path, string $scratch): array
    {
        if (is_dir($path)) {
            $files = [];
            foreach (scandir($path) ?: [] as $name) {
                if (is_file("{$path}/{$name}")) {
                    array_push($files, ...self::found($name, "{$path}/{$name}", $scratch));
                }
            }

            return $files !== []
                ? $files
                : throw new Refusal("{$path} holds no table. Files such as items.csv or ledger.csv are expected.");
        }
        if (! is_file($path)) {
            throw new Refusal("{$path} does not exist. A folder, a zip archive or a file is expected.");
        }

        return self::named(basename($path), $path, $scratch);
    }

    /**
     * A file that was named itself.
     *
     * @return list<SourceFile> several, where it is an archive
     *
     * @throws Refusal when it is no table, or too large
     */
    public static function named(string $name, string $path, string $scratch): array
    {
        return self::isReadable($name)
            ? self::found($name, $path, $scratch)
            : throw new Refusal(
                "“{$name}” is neither a table nor a bank statement. CSV, XLSX, ODS, camt.053, MT940 or a zip of them is expected.",
            );
    }

    /**
     * A file that lies among others: passed over when it is no table.
     *
     * @return list<SourceFile>
     *
     * @throws Refusal when it is too large
     */
    public static function found(string $name, string $path, string $scratch): array
    {
        if (! self::isReadable($name)) {
            return [];
        }
        if (self::extension($name) === 'zip') {
            return self::unpack($name, $path, $scratch);
        }
        if ((int) filesize($path) > config()->integer('ajuste.largest_file')) {
            throw new Refusal(
                "“{$name}” has ".
                    intdiv((int) filesize($path), 1048576).
                    ' MB; at most '.
                    intdiv(config()->integer('ajuste.largest_file'), 1048576).
                    ' MB are read. Split it by months.',
            );
        }

        return [new SourceFile($name, $path, FileKind::named($name))];
    }

    private static function isReadable(string $name): bool
    {
        $isHidden = str_starts_with($name, '.') || str_starts_with($name, '~');

        return in_array(self::extension($name), [...self::TABLES, 'zip'], true) && ! $isHidden;
    }

    private static function extension(string $name): string
    {
        return strtolower(pathinfo($name, PATHINFO_EXTENSION));
    }

    /** @return list<SourceFile> */
    private static function unpack(string $archive, string $path, string $scratch): array
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new Refusal("“{$archive}” cannot be opened as a zip archive. Pack the files again.");
        }
        $files = [];
        $total = 0;
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $entry = $zip->statIndex($place);
            $name = is_array($entry) ? (string) $entry['name'] : '';
            if (str_ends_with($name, '/') || str_starts_with($name, '__MACOSX/')) {
                continue;
            }
            if (preg_match('~(^|[/\\\\])\.\.([/\\\\]|$)|^[/\\\\]|^[a-z]:|[\x00-\x1f]~i', $name) === 1) {
                throw new Refusal(
                    "“{$archive}” holds “".
                        addcslashes($name, "\0..\37").
                        '”, a path that leads out of the archive. Nothing was read; pack the files again without folders above them.',
                );
            }
            $total += is_array($entry) ? (int) $entry['size'] : 0;
            if ($total > 4 * config()->integer('ajuste.largest_file') || count($files) >= self::MOST_FILES) {
                throw new Refusal(
                    "“{$archive}” unpacks to too much: at most ".
                        self::MOST_FILES.
                        ' files and '.
                        intdiv(4 * config()->integer('ajuste.largest_file'), 1048576).
                        ' MB are read.',
                );
            }
            $target = $scratch.'/'.$place.'-'.preg_replace('/[^\w.-]/', '_', basename($name));
            $stream = $zip->getStreamIndex($place);
            if ($stream === false) {
                throw new Refusal("“{$name}” in “{$archive}” cannot be unpacked; it may carry a password. Pack the files again.");
            }
            // Never more than the archive owns up to.
            $size = is_array($entry) ? (int) $entry['size'] : 0;
            $file = fopen($target, 'wb');
            $written = $file === false ? -1 : (int) stream_copy_to_stream($stream, $file, $size + 1);
            if ($written !== $size) {
                throw new Refusal("“{$name}” in “{$archive}” is damaged. Pack the files again.");
            }
            if (strtolower(pathinfo($name, PATHINFO_EXTENSION)) !== 'zip') {
                array_push($files, ...self::found(basename($name), $target, $scratch));
            }
        }

        return $files !== []
            ? $files
            : throw new Refusal("“{$archive}” holds no table. Files such as items.csv or ledger.csv are expected.");
    }
}
