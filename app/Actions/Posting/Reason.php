<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Refusal;

/** Words that say why, for others to follow. */
final class Reason
{
    /** @throws Refusal with the message when nothing is said */
    public static function of(string $words, string $message = 'A reversal needs a reason, so that others can follow it.'): string
    {
        return trim($words) !== '' ? trim($words) : throw new Refusal($message);
    }
}
