<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Http\Request;

/**
 * The code that the first person of new books types who comes from another machine. The command that serves them prints it, so that only
 * who started them can be the first.
 */
final class FirstCode
{
    /** Null where somebody can open the books already. */
    public static function current(): ?string
    {
        if (User::query()->exists()) {
            self::forget();

            return null;
        }
        if (! is_file(self::file())) {
            touch(self::file());
            chmod(self::file(), 0600);
            file_put_contents(self::file(), implode('-', str_split(bin2hex(random_bytes(6)), 4)));
        }

        return trim((string) file_get_contents(self::file()));
    }

    /** Whether it is asked for: the request did not come from this machine itself. */
    public static function isAsked(Request $request): bool
    {
        $isHere = in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1', null], true);

        return ! $isHere || $request->hasHeader('X-Forwarded-For') || $request->hasHeader('Forwarded');
    }

    public static function fits(string $typed): bool
    {
        $code = self::current();

        return $code !== null && hash_equals($code, strtolower(trim($typed)));
    }

    public static function forget(): void
    {
        @unlink(self::file());
    }

    private static function file(): string
    {
        return Books::file().'.first';
    }
}
