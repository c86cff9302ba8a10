<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * The head of the seals, kept in a file beside the books: whoever rewrites the whole chain within them is found, as long as the file is not
 * rewritten too. Backups and close packs hold heads of their own.
 */
final class Anchor
{
    /** After each transaction; a file that names a seal which the books do not have is left as it is, so that verify can tell. */
    public static function drop(): void
    {
        $head = self::head();
        if ($head === null || self::faults() !== []) {
            return;
        }
        $file = self::file();
        if (self::read() !== $head && is_dir(dirname($file))) {
            file_put_contents($file, implode(' ', $head)."\n", LOCK_EX);
        }
    }

    /** Where other books take the place of those that were there. */
    public static function forget(): void
    {
        if (is_file(self::file())) {
            unlink(self::file());
        }
    }

    /** @return list<string> */
    public static function faults(): array
    {
        $anchored = self::read();
        if ($anchored === null || DB::table('seals')->where(['id' => $anchored[0], 'digest' => $anchored[1]])->exists()) {
            return [];
        }
        $file = basename(self::file());

        return ["The seals are not those that {$file} was written for (seal {$anchored[0]}): the books were rewritten, or are others."];
    }

    /** @return array{int, string}|null number and digest of the last seal */
    public static function head(): ?array
    {
        $row = DB::selectOne("SELECT 1 FROM sqlite_master WHERE name = 'seals'") === null
            ? null
            : DB::table('seals')->orderByDesc('id')->first(['id', 'digest']);

        return $row === null ? null : [(int) $row->id, (string) $row->digest];
    }

    /** @return array{int, string}|null */
    private static function read(): ?array
    {
        $content = is_file(self::file()) ? (string) file_get_contents(self::file()) : '';

        return preg_match('/^(\d+) ([0-9a-f]{64})$/D', trim($content), $of) === 1 ? [(int) $of[1], $of[2]] : null;
    }

    private static function file(): string
    {
        return Books::file().'.anchor';
    }
}
