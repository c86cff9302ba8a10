<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\PeopleFile;
use PDO;
use stdClass;

/**
 * Books that stand side by side and are opened by the same people. Those that the server was started with are at the root of its address,
 * each of the others below an address of its own, as if it were served by itself.
 */
final class Shelf
{
    private const BELOW = '~^/b/([a-z0-9-]{1,40})(?=[/?]|$)~D';

    /**
     * Turns a request to the books that its address names; called before the application starts, which reads them from the environment.
     *
     * @param array<mixed> $server the request's own
     * @return bool whether there are such books
     */
    public static function turn(array &$server): bool
    {
        $home = getenv('AJUSTE_BOOKS') ?: dirname(__DIR__, 2).'/storage/books/books.sqlite';
        $server['AJUSTE_HOME'] = $home;
        $address = $server['REQUEST_URI'] ?? '';
        if (! is_string($address) || preg_match(self::BELOW, $address, $found) !== 1) {
            return true;
        }
        $file = self::fileOf($found[1], PeopleFile::path($home));
        if ($file === null) {
            return false;
        }
        $server['AJUSTE_BOOKS'] = $file;
        $server['AJUSTE_SLUG'] = $found[1];
        // As of an application that is kept in this folder: all addresses that it writes begin there.
        $server['SCRIPT_NAME'] = $server['PHP_SELF'] = "{$found[0]}/index.php";
        $server['REQUEST_URI'] = $found[0].'/'.ltrim(substr($address, strlen($found[0])), '/');

        return true;
    }

    /** @return list<stdClass> slug and file of each, by slug; the books at hand too */
    public static function all(): array
    {
        $folder = dirname(PeopleFile::path(Books::file()));
        $all = [];
        foreach (PeopleFile::open()->table('shelf')->orderBy('slug')->get() as $row) {
            $row->file = self::absolute($row->file, $folder);
            $all[] = $row;
        }

        return in_array(Books::file(), array_column($all, 'file'), true)
            ? $all
            : [(object) ['slug' => self::free(basename(dirname(Books::file()))), 'file' => Books::file()], ...$all];
    }

    /** @return list<stdClass> the books at hand */
    public static function here(): array
    {
        return array_values(array_filter(self::all(), static fn (stdClass $books): bool => $books->file === Books::file()));
    }

    /** Puts books on it, and the ones at hand if they were alone so far. */
    public static function add(string $slug, string $file): void
    {
        $folder = dirname(PeopleFile::path(Books::file()));
        $rows = array_map(static fn (stdClass $row): array => (array) $row, self::all());
        foreach ([...$rows, ['slug' => $slug, 'file' => $file]] as $row) {
            $relative = str_starts_with($row['file'], "{$folder}/") ? substr($row['file'], strlen($folder) + 1) : $row['file'];
            PeopleFile::open()->table('shelf')->insertOrIgnore(['slug' => $row['slug'], 'file' => $relative]);
        }
    }

    /** A name for the address that no other books have, from what the firm is called. */
    public static function free(string $name): string
    {
        $plain = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower(PlainText::of($name))), '-');
        $slug = substr($plain === '' ? 'books' : $plain, 0, 34);
        $taken = PeopleFile::open()->table('shelf')->pluck('slug')->all();
        for ($free = $slug, $next = 2; in_array($free, $taken, true); $next++) {
            $free = "{$slug}-{$next}";
        }

        return $free;
    }

    /** The address of books' first page, from the root of the server. */
    public static function address(stdClass $books): string
    {
        $home = $_SERVER['AJUSTE_HOME'] ?? Books::file();

        return $books->file === $home ? '/' : "/b/{$books->slug}/";
    }

    private static function fileOf(string $slug, string $people): ?string
    {
        if (! is_file($people)) {
            return null;
        }
        $found = (new PDO("sqlite:{$people}"))->prepare('SELECT file FROM shelf WHERE slug = ?');
        $found->execute([$slug]);
        $file = $found->fetchColumn();

        return is_string($file) ? self::absolute($file, dirname($people)) : null;
    }

    private static function absolute(string $file, string $folder): string
    {
        return str_starts_with($file, '/') ? $file : "{$folder}/{$file}";
    }
}
