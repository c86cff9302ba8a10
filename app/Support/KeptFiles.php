<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Refusal;

/** Files that came in are kept as they were, each under its digest, so that one can prove that it did not change. */
final class KeptFiles
{
    /**
     * @return string the file's SHA-256
     *
     * @throws Refusal when there is no room for it
     */
    public static function keep(string $path): string
    {
        $digest = (string) hash_file('sha256', $path);
        $kept = self::path($digest);
        if (! is_dir(dirname($kept))) {
            mkdir(dirname($kept), 0770, true);
        }
        // First under another name, so that a file of this name is always whole.
        if (! is_file($kept) && (! copy($path, "{$kept}.part") || ! rename("{$kept}.part", $kept))) {
            throw new Refusal(
                'The file cannot be kept in '.
                    dirname($kept).
                    '. Check that there is room and that it can be written; nothing was taken in.',
            );
        }

        return $digest;
    }

    public static function path(string $digest): string
    {
        return config()->string('ajuste.files').'/'.$digest;
    }

    public static function isWhole(string $digest): bool
    {
        return is_file(self::path($digest)) && hash_file('sha256', self::path($digest)) === $digest;
    }
}
