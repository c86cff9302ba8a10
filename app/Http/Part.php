<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\View\View;

/** The part of a page that htmx asks for: its worktop, or the next rows of a list. Without htmx it is the whole page. */
final class Part
{
    /** @param  list<string>  $lists the names of the lists, where a page has several */
    public static function of(View $page, Request $request, array $lists = ['']): string
    {
        $part = self::name($request, $lists);

        return $page->fragmentIf($part !== '', $part);
    }

    /**
     * Whether only rows of a list are asked for, to which nothing else of the page matters.
     *
     * @param list<string> $lists the names of the lists, where a page has several
     */
    public static function isRows(Request $request, array $lists): bool
    {
        return str_ends_with(self::name($request, $lists), 'rows');
    }

    /**
     * @param list<string> $lists the names of the lists, where a page has several
     * @return string blank: the whole page
     */
    public static function name(Request $request, array $lists = ['']): string
    {
        if (! $request->hasHeader('HX-Request') || $request->hasHeader('HX-Boosted') || $request->hasHeader('HX-History-Restore-Request')) {
            return '';
        }
        $target = (string) $request->header('HX-Target');
        if ($target === 'worktop') {
            return 'worktop';
        }
        foreach ($lists as $list) {
            $rows = ListWindow::parameter($list, 'rows');
            if (($list === '' ? str_ends_with($target, '-rows') : $target === $rows)
                || $request->integer(ListWindow::parameter($list, 'from')) > 0) {
                return $rows;
            }
        }

        return '';
    }
}
