<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Pack\Manifest;
use Ajuste\Core\Refusal;
use App\Models\PeopleFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PDO;
use PDOException;
use ZipArchive;

/** One compressed file with the books, their people, the source files kept beside them and the outbox, and the digest of each. */
final readonly class Backup
{
    /** By which the trail knows that one was taken. */
    public const IN_TRAIL = 'backup';

    private const MANIFEST = 'manifest.json';

    private const BOOKS = 'books.sqlite';

    private const PEOPLE = 'people.sqlite';

    /**
     * Consistent while others work, and read again after it was written.
     *
     * @return string the file
     *
     * @throws Refusal when it cannot be written, or does not read back
     */
    public static function write(string $folder): string
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0770, true)) {
            throw new Refusal("The folder {$folder} cannot be made. Name another.");
        }
        $file = $folder.'/ajuste-'.gmdate('Ymd-His').'-'.bin2hex(random_bytes(3)).'.zip';
        [$books, $people] = ["{$file}.books", "{$file}.people"];
        try {
            DB::statement('VACUUM INTO ?', [$books]);
            PeopleFile::open()->statement('VACUUM INTO ?', [$people]);
            self::pack("{$file}.part", [self::BOOKS => $books, self::PEOPLE => $people, ...self::beside()]);
            self::contents("{$file}.part");
            rename("{$file}.part", $file);
        } finally {
            File::delete([$books, $people, "{$file}.part"]);
        }

        return $file;
    }

    /**
     * Puts a backup where there are no books, or moves the present ones aside first.
     *
     * @return ?string where the present ones were moved
     *
     * @throws Refusal when the file is no whole backup, or books are there and are not to be replaced
     */
    public static function restore(string $file, bool $replace): ?string
    {
        $home = dirname(Books::file());
        $taken = array_values(array_filter(self::parts($home), file_exists(...)));
        if ($taken !== [] && ! $replace) {
            throw new Refusal(
                "There are books at {$home} already. Name another place with AJUSTE_BOOKS, or give --replace: they are moved aside, not "
                    .'deleted.',
            );
        }
        $entries = self::contents($file);
        $scratch = "{$home}/restored-".bin2hex(random_bytes(6));
        if (! @mkdir($scratch, 0770, true)) {
            throw new Refusal("The folder {$home} cannot be written. Name another place with AJUSTE_BOOKS.");
        }
        try {
            self::opened($file)->extractTo($scratch, $entries);
            self::refuseBroken("{$scratch}/".self::BOOKS);
            $aside = $taken === [] ? null : "{$home}/before-".gmdate('Ymd-His').'-'.bin2hex(random_bytes(3));
            self::move($taken, $aside ?? '');
            self::restorePeople("{$scratch}/".self::PEOPLE);
            self::move(glob("{$scratch}/*") ?: [], $home);
            if (basename(Books::file()) !== self::BOOKS) {
                rename("{$home}/".self::BOOKS, Books::file());
            }
            Anchor::forget();
            // Who was signed in, and what was under way, belongs to the books that were here before.
            File::delete([...glob(Books::file().'.sessions*') ?: [], ...glob(Books::file().'.work*') ?: []]);
        } finally {
            File::deleteDirectory($scratch);
        }

        return $aside;
    }

    /** Only where there are none: those who are here may open other books too, and may have other passwords since. */
    private static function restorePeople(string $file): void
    {
        $here = PeopleFile::path(Books::file());
        if (is_file($here)) {
            File::delete($file);
        } elseif (is_file($file)) {
            rename($file, $here);
            chmod($here, 0600);
        }
    }

    /** Lets the oldest backups of a folder go, but for so many. */
    public static function keep(string $folder, int $count): int
    {
        $files = glob("{$folder}/ajuste-????????-??????-??????.zip") ?: [];
        sort($files);
        $old = array_slice($files, 0, max(0, count($files) - $count));
        File::delete($old);

        return count($old);
    }

    /** @return list<string> what belongs to the books of a folder */
    private static function parts(string $home): array
    {
        $books = Books::file();

        return [$books, "{$books}-wal", "{$books}-shm", "{$home}/files", "{$home}/outbox"];
    }

    /** @param  list<string>  $paths */
    private static function move(array $paths, string $to): void
    {
        foreach ($paths as $path) {
            File::ensureDirectoryExists($to, 0770);
            rename($path, $to.'/'.basename($path));
        }
    }

    /** @return array<string, string> paths by name in the backup; what a person has uploaded and not yet taken in is left out */
    private static function beside(): array
    {
        $paths = [];
        $files = config()->string('ajuste.files');
        foreach ([$files => 'files', dirname($files).'/outbox' => 'outbox'] as $from => $to) {
            foreach (is_dir($from) ? File::files($from) : [] as $file) {
                if ($file->getExtension() !== 'part') {
                    $paths["{$to}/{$file->getFilename()}"] = $file->getPathname();
                }
            }
        }

        return $paths;
    }

    /** @param  array<string, string>  $paths by name in the backup */
    private static function pack(string $file, array $paths): void
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new Refusal("{$file} cannot be written. Name another folder.");
        }
        $digests = [];
        foreach ($paths as $name => $path) {
            $zip->addFile($path, $name);
            $digests[$name] = (string) hash_file('sha256', $path);
        }
        $zip->addFromString(self::MANIFEST, (string) json_encode($digests, JSON_PRETTY_PRINT));
        if (! $zip->close()) {
            throw new Refusal("{$file} cannot be written. Check that there is room.");
        }
    }

    /**
     * @return list<string> the files of a backup that is whole
     *
     * @throws Refusal when it is not
     */
    private static function contents(string $file): array
    {
        $zip = self::opened($file);
        $digests = json_decode((string) $zip->getFromName(self::MANIFEST), true);
        $now = [];
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $name = (string) $zip->getNameIndex($place);
            if ($name !== self::MANIFEST) {
                $stream = $zip->getStreamIndex($place) ?: throw new Refusal("{$name} in {$file} cannot be read.");
                $hash = hash_init('sha256');
                hash_update_stream($hash, $stream);
                $now[$name] = hash_final($hash);
            }
        }
        if (! is_array($digests) || ! isset($digests[self::BOOKS])) {
            throw new Refusal("{$file} is no backup of books.");
        }
        $says = array_map(static fn (mixed $digest): string => is_string($digest) ? $digest : '', $digests);
        $faults = (new Manifest($says))->faults(new Manifest($now));
        $strange = array_filter(
            array_keys($now),
            static fn (string $name): bool => preg_match('~^(?:(?:files|outbox)/)?[\w.-]+$~D', $name) !== 1,
        );
        if ($faults !== [] || $strange !== []) {
            throw new Refusal(
                "{$file} is not as it was written: ".($faults[0] ?? 'it has files that no backup has.').' Take another backup.',
            );
        }

        return array_keys($now);
    }

    private static function opened(string $file): ZipArchive
    {
        $zip = new ZipArchive;
        if (! is_file($file) || $zip->open($file, ZipArchive::RDONLY | ZipArchive::CHECKCONS) !== true) {
            throw new Refusal("{$file} is no backup of books, or it was cut short.");
        }

        return $zip;
    }

    private static function refuseBroken(string $books): void
    {
        try {
            $pdo = new PDO("sqlite:{$books}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
            $query = $pdo->query('PRAGMA quick_check(1)');
            $said = $query === false ? '' : $query->fetchColumn();
        } catch (PDOException $problem) {
            $said = $problem->getMessage();
        }
        if ($said !== 'ok') {
            throw new Refusal('The books in this backup do not read. Take another backup.');
        }
    }
}
