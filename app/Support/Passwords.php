<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Refusal;
use Illuminate\Support\Facades\File;

/** What a password has to be: long, and none that everybody tries first. */
final class Passwords
{
    public const SHORTEST = 12;

    /** @throws Refusal */
    public static function refuseWeak(string $password): void
    {
        if (mb_strlen($password) < self::SHORTEST) {
            throw new Refusal('The password has '.mb_strlen($password).' characters; at least '.self::SHORTEST.' are expected.');
        }
        $plain = mb_strtolower($password);
        $isRepeated = preg_match('/^(.{1,4})\1+$/us', $plain) === 1;
        if ($plain === DemoBooks::PASSWORD || $isRepeated || in_array($plain, self::common(), true)) {
            throw new Refusal('That password is among the first that anybody tries. Choose another one.');
        }
    }

    /** @return list<string> */
    private static function common(): array
    {
        return array_values(array_filter(explode("\n", File::get(resource_path('common-passwords.txt')))));
    }
}
