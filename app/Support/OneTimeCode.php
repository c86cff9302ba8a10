<?php

declare(strict_types=1);

namespace App\Support;

/** Codes of a second factor by the time of day: TOTP of RFC 6238, with SHA-1, six digits and 30 seconds, as is common practice. */
final class OneTimeCode
{
    private const SECONDS = 30;

    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** A new secret of 160 bits, in base32 (RFC 4648). */
    public static function newSecret(): string
    {
        $bytes = str_split(random_bytes(20));
        $bits = implode('', array_map(static fn (string $byte): string => sprintf('%08b', ord($byte)), $bytes));

        return implode('', array_map(static fn (string $five): string => self::LETTERS[(int) bindec($five)], str_split($bits, 5)));
    }

    /** What an application that keeps such secrets reads. */
    public static function address(string $secret, string $email): string
    {
        return 'otpauth://totp/Ajuste:'.rawurlencode($email)."?secret={$secret}&issuer=Ajuste";
    }

    /**
     * The step of time in which a code holds: now, or one before or after, but no step that was used already.
     *
     * @param int $now seconds since 1970
     * @param int $after the last step that was used
     * @return ?int null: it does not hold
     */
    public static function step(string $secret, string $code, int $now, int $after): ?int
    {
        $code = (string) preg_replace('/\s/', '', $code);
        $step = intdiv($now, self::SECONDS);
        foreach ([$step - 1, $step, $step + 1] as $of) {
            if ($of > $after && hash_equals(self::at(self::bytes($secret), $of), $code)) {
                return $of;
            }
        }

        return null;
    }

    /** The code of a step (RFC 4226, 5.3). */
    public static function at(string $secret, int $step, int $digits = 6): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $secret, true);
        $from = ord($hash[19]) & 15;
        $number = (int) hexdec(bin2hex(substr($hash, $from, 4))) & 0x7FFFFFFF;

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    public static function bytes(string $secret): string
    {
        $bits = '';
        foreach (str_split(strtoupper($secret)) as $letter) {
            $bits .= sprintf('%05b', (int) strpos(self::LETTERS, $letter));
        }

        return implode('', array_map(
            static fn (string $eight): string => chr((int) bindec($eight)),
            str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8),
        ));
    }
}
