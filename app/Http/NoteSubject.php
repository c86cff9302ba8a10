<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Refusal;
use App\Queries\Settings;

/** What a note or a question is about, such as `item 12` or `cause 3 cut_off-…`. */
final class NoteSubject
{
    /** @throws Refusal when it is none */
    public static function of(string $subject): string
    {
        return preg_match('/^(item|customer|supplier) \d+$|^check [\w-]+ \d+$|^cause \d+ [\w.-]+$/D', $subject) === 1
            ? $subject
            : throw new Refusal('The form does not say what it is about. Load the page again.');
    }

    /** The page on which it stands. */
    public static function page(string $subject): string
    {
        [$of, $id, $more] = [...explode(' ', $subject, 3), ''];

        return match ($of) {
            'item' => route('document', (int) $id),
            'customer' => route('customer', (int) $id),
            'check' => route('sign-off'),
            'supplier' => route('supplier', (int) $id),
            default => route('proof', ['account' => app(Settings::class)->accounts()->withId((int) $id)->number, 'line' => $more]),
        };
    }
}
