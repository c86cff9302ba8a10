<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Refusal;
use Illuminate\Http\Request;

/** The key that a form carries so that it posts once, however often it is sent. */
final class FormKey
{
    /** @throws Refusal when the form brings none */
    public static function of(Request $request, string $what): string
    {
        $key = $request->string('key')->toString();
        if (preg_match('/^[\w-]{1,80}$/D', $key) !== 1) {
            throw new Refusal('The form is not complete. Load the page again; nothing was posted.');
        }

        return "{$what}-{$key}";
    }
}
