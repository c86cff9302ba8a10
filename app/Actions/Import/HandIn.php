<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\CsvWriter;
use Ajuste\Core\Exchange\DeclaredTotal;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Files\SourceFile;
use App\Files\SourceFiles;
use App\Files\Table;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Support\Progress;
use App\Support\Unwatched;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** Files that were handed in and wait to be looked at, kept beside the books until they are taken in or discarded. */
final readonly class HandIn
{
    private function __construct(public string $token, private string $folder) {}

    /**
     * @param list<UploadedFile> $uploads
     *
     * @throws Refusal when one of them is no table, is damaged or too large
     */
    public static function of(array $uploads): self
    {
        if ($uploads === []) {
            throw new Refusal('No file was chosen. Choose the files of the period, or a zip of them.');
        }
        $token = bin2hex(random_bytes(16));
        $handIn = new self($token, self::folder($token));
        File::ensureDirectoryExists($handIn->folder);
        try {
            $files = [];
            foreach ($uploads as $place => $upload) {
                $name = basename(str_replace('\\', '/', $upload->getClientOriginalName()));
                if (! $upload->isValid()) {
                    $most = intdiv(config()->integer('ajuste.largest_upload'), 1048576);
                    throw new Refusal(
                        $upload->getError() === UPLOAD_ERR_INI_SIZE
                            ? "“{$name}” is larger than {$most} MB. Split it by months, or read it with “./ajuste import”; "
                                .'nothing was stored.'
                            : "“{$name}” did not arrive whole. Hand it in again; nothing was stored.",
                    );
                }
                $path = "{$handIn->folder}/up{$place}";
                $upload->move($handIn->folder, "up{$place}");
                array_push($files, ...count($uploads) === 1
                    ? SourceFiles::named($name, $path, $handIn->folder)
                    : SourceFiles::found($name, $path, $handIn->folder));
            }
            if ($files === []) {
                throw new Refusal('None of the files is a table. CSV, XLSX, ODS or a zip of them is expected.');
            }
            $handIn->write($files, []);
        } catch (Refusal $refusal) {
            $handIn->discard();
            throw $refusal;
        }

        return $handIn;
    }

    public static function find(string $token): self
    {
        $folder = self::folder($token);
        if (preg_match('/^[0-9a-f]{32}$/D', $token) !== 1 || ! is_file("{$folder}/files.json")) {
            throw new Refusal(
                'These files are no longer waiting: they were taken in or discarded. Look in the list of imports, or hand them in again.',
            );
        }

        return new self($token, $folder);
    }

    /** @return list<SourceFile> */
    public function files(): array
    {
        /**
         * @var array{
         *     files: list<array{name: string, path: string}>,
         *     mappings: array<string, array{
         *         kind: string, header_row: int, columns: array<string, int>, dates: string, decimal_mark: string,
         *         fixed: array<string, string>, words?: array<string, string>
         *     }>
         * } $kept
         */
        $kept = json_decode((string) file_get_contents("{$this->folder}/files.json"), true, flags: JSON_THROW_ON_ERROR);

        return array_map(
            static fn (array $file): SourceFile => new SourceFile(
                $file['name'],
                $file['path'],
                FileKind::named($file['name']),
                isset($kept['mappings'][$file['name']]) ? Mapping::fromArray($kept['mappings'][$file['name']]) : null,
            ),
            $kept['files'],
        );
    }

    /** Reads one of the files as a person says. */
    public function map(string $name, Mapping $mapping): void
    {
        $mappings = [];
        foreach ($this->files() as $file) {
            $decided = $file->name === $name ? $mapping : $file->mapping;
            if ($decided !== null) {
                $mappings[$file->name] = $decided;
            }
        }
        $this->write($this->files(), $mappings);
    }

    /**
     * Keeps the total that came with a file, to be compared with what its rows come to.
     *
     * @throws Refusal when there is no such file
     */
    public function declare(string $name, Money $total): void
    {
        if (! in_array($name, array_map(static fn (SourceFile $file): string => $file->name, $this->files()), true)) {
            throw Refusal::notFound("“{$name}” is none of these files.");
        }
        $kept = array_map(static fn (Money $of): array => [$of->minor, $of->currency->code], [...$this->declared(), $name => $total]);
        File::put("{$this->folder}/declared.json", json_encode($kept, JSON_THROW_ON_ERROR));
    }

    /** @return array<string, Money> by file */
    public function declared(): array
    {
        $kept = @file_get_contents("{$this->folder}/declared.json");
        /** @var array<string, array{int, string}> $declared */
        $declared = $kept === false ? [] : json_decode($kept, true, flags: JSON_THROW_ON_ERROR);

        return array_map(static fn (array $of): Money => Money::ofMinor($of[0], $of[1]), $declared);
    }

    /** @return array<string, DeclaredTotal> by file, of those that were declared and whose rows can be summed */
    public function compared(ImportReport $report, Currency $base): array
    {
        $compared = [];
        foreach ($this->declared() as $name => $total) {
            foreach ($report->files as $file) {
                if ($file->name === $name && $file->bookDebits !== null) {
                    $compared[$name] = new DeclaredTotal(
                        $total, Money::ofMinor($file->debits, $base), Money::ofMinor($file->credits, $base),
                    );
                }
            }
        }

        return $compared;
    }

    /** Whether reading them takes so long that it is work beside the pages. */
    public function isLong(): bool
    {
        return ImportFiles::areLong($this->files());
    }

    /** Names what the files would do as they are read now; another after a person has said how they are read. */
    public function reading(): string
    {
        return "{$this->token}-".hash_file('xxh3', "{$this->folder}/files.json").'-'.filemtime("{$this->folder}/files.json");
    }

    /** What the files would do, if that was worked out for them as they are read now. */
    public function report(): ?ImportReport
    {
        $kept = @file_get_contents("{$this->folder}/report");
        $report = $kept === false ? null : unserialize($kept);

        return $report instanceof ImportReport ? $report : null;
    }

    public function keepReport(ImportReport $report): void
    {
        File::put("{$this->folder}/report.part", serialize($report));
        rename("{$this->folder}/report.part", "{$this->folder}/report");
    }

    /**
     * Takes the files in, and discards them.
     *
     * @return int the number of the import
     *
     * @throws Refusal when rows are refused, or the books have all of it
     */
    public function takeIn(ImportFiles $import, RefusedRows $rows, Actor $actor, Progress $progress = new Unwatched()): int
    {
        $names = array_map(static fn (SourceFile $file): string => $file->name, $this->files());
        $source = implode(', ', array_slice($names, 0, 4)).(count($names) > 4 ? ' and '.(count($names) - 4).' more' : '');
        $report = $import->post($this->files(), $rows, $source, self::key($this->token), $progress);
        if ($report->importId === null) {
            throw new Refusal(
                $report->refusedCount > 0
                    ? "{$report->refusedCount} rows are refused, so nothing was taken in. Set them aside, or correct the files."
                    : 'The books have all of this already; there is nothing to take in.',
            );
        }
        $this->remember($actor);
        $said = array_map(static fn (DeclaredTotal $of): string => $of->says(), $this->compared($report, app(Settings::class)->base()));
        if ($said !== []) {
            Once::for("declared {$this->token}", static function () use ($report, $said): int {
                app(AuditTrail::class)->record('declared totals', "import {$report->importId}", '', $said);

                return (int) $report->importId;
            });
        }
        $this->discard();

        return $report->importId;
    }

    /** By which a second click finds the import that the first one made. */
    public static function key(string $token): string
    {
        return "import-{$token}";
    }

    /** What a person decided about the shape of a file is remembered for the next one. */
    private function remember(Actor $actor): void
    {
        foreach ($this->files() as $file) {
            if ($file->mapping !== null) {
                $heading = Table::head($file)[$file->mapping->headerRow - 1] ?? [];
                DB::table('mappings')->updateOrInsert(
                    ['shape' => MappingGuess::shape($heading)],
                    [
                        'mapping' => json_encode($file->mapping->toArray(), JSON_THROW_ON_ERROR),
                        'who' => $actor->who,
                        'recorded_at' => Moment::now(),
                    ],
                );
            }
        }
    }

    /**
     * A list of its own among the files; one of the same name is replaced.
     *
     * @param list<list<string>> $lines headings first
     */
    public function bring(string $name, array $lines): void
    {
        $path = "{$this->folder}/".hash('xxh3', $name);
        File::put($path, implode('', array_map(CsvWriter::line(...), $lines)));
        $others = array_filter($this->files(), static fn (SourceFile $file): bool => $file->name !== $name);
        $mappings = array_filter(array_column($others, 'mapping', 'name'));
        $this->write([...array_values($others), new SourceFile($name, $path, FileKind::named($name))], $mappings);
    }

    public function discard(): void
    {
        File::deleteDirectory($this->folder);
    }

    /**
     * @param list<SourceFile> $files
     * @param array<string, Mapping> $mappings
     */
    private function write(array $files, array $mappings): void
    {
        File::delete("{$this->folder}/report");
        File::put(
            "{$this->folder}/files.json",
            json_encode(
                [
                    'files' => array_map(static fn (SourceFile $file): array => ['name' => $file->name, 'path' => $file->path], $files),
                    'mappings' => array_map(static fn (Mapping $mapping): array => $mapping->toArray(), $mappings),
                ],
                JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
        );
    }

    private static function folder(string $token): string
    {
        return config()->string('ajuste.files')."/waiting/{$token}";
    }
}
