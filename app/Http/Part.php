<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\View\View;

/** The part of a page that htmx asks for: its worktop, or the next rows of its list. Without htmx it is the whole page. */
final class Part
{
    public static function of(View $page, Request $request): string
    {
        $part = match (true) {
            $request->header('HX-Target') === 'worktop' => 'worktop',
            str_ends_with((string) $request->header('HX-Target'), '-rows') => 'rows',
            $request->hasHeader('HX-Request') &&
                ! $request->hasHeader('HX-Boosted') &&
                ! $request->hasHeader('HX-History-Restore-Request') &&
                $request->integer('from') > 0 => 'rows',
            default => '',
        };

        return $page->fragmentIf($part !== '', $part);
    }
}
