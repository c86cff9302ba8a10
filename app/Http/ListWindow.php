<?php

declare(strict_types=1);

namespace App\Http;

use App\Support\PlainText;
use Closure;
use Illuminate\Http\Request;

/**
 * The rows of a long list that a page has room for: those with the words that were typed, in the order that was asked for, from a place
 * on. The rest comes as one scrolls. Short lists are filtered and sorted by the page itself.
 *
 * @template T
 */
final readonly class ListWindow
{
    private const ROWS = 150;

    /** So many come at once when all are asked for, to be chosen or copied. */
    private const ALL = 20_000;

    /**
     * @param list<T> $rows those on this page
     * @param int $count of all rows that have the words
     * @param int $next the place of the first row of the next page
     * @param bool $isPart whether the page cannot filter and sort by itself, since it has not all rows
     * @param bool $isEmpty whether there is nothing that could be looked for
     */
    private function __construct(
        public array $rows,
        public int $count,
        public int $next,
        public bool $isPart,
        public bool $isEmpty,
    ) {}

    /** How an address says something of a list: where a page has several, with the name of the list before it. */
    public static function parameter(string $name, string $what): string
    {
        return $name === '' ? $what : "{$name}-{$what}";
    }

    /**
     * @template V
     *
     * @param list<V> $rows in their own order
     * @param Closure(V): string $words of a row, by which it is found
     * @param array<string, Closure(V): (int|string)> $orders by the name of the column
     * @param string $name of the list, where a page has several
     * @return self<V>
     */
    public static function of(Request $request, array $rows, Closure $words, array $orders = [], string $name = ''): self
    {
        $typed = self::typed($request, $name);
        $found = $typed === [] ? $rows : array_values(array_filter($rows, static fn (mixed $row): bool => self::has($words($row), $typed)));
        $order = $orders[$request->string(self::parameter($name, 'order'))->toString()] ?? null;
        if ($order !== null) {
            $keys = array_map($order, $found);
            $as = is_int($keys[0] ?? 0) ? SORT_NUMERIC : SORT_STRING;
            $places = array_keys($found); // those alike stay in the list's own order
            array_multisort($keys, $request->boolean(self::parameter($name, 'descending')) ? SORT_DESC : SORT_ASC, $as, $places);
            $found = array_map(static fn (int $place): mixed => $found[$place], $places);
        }
        [$from, $most] = self::page($request, $name);
        $shown = array_slice($found, $from, $most);

        return new self($shown, count($found), $from + count($shown), count($rows) > self::ROWS, $rows === []);
    }

    /**
     * The same of a list that is kept: without words and in its own order only the rows of the page are fetched.
     *
     * @template V
     * @template K
     *
     * @param list<K> $keys of the rows, in their own order
     * @param Closure(list<K>): list<V> $fetch the rows of some of them, or of all
     * @param Closure(V): string $words of a row, by which it is found
     * @param array<string, Closure(V): (int|string)> $orders by the name of the column
     * @return self<V>
     */
    public static function fetched(Request $request, array $keys, Closure $fetch, Closure $words, array $orders = []): self
    {
        if (self::typed($request) !== [] || isset($orders[$request->string('order')->toString()])) {
            return self::of($request, $fetch($keys), $words, $orders);
        }
        [$from, $most] = self::page($request);
        $shown = $fetch(array_slice($keys, $from, $most));

        return new self($shown, count($keys), $from + count($shown), count($keys) > self::ROWS, $keys === []);
    }

    /** @return array<string> */
    private static function typed(Request $request, string $name = ''): array
    {
        $words = PlainText::of($request->string(self::parameter($name, 'words'))->limit(200, '')->toString());

        return array_filter(explode(' ', $words), static fn (string $word): bool => $word !== '');
    }

    /** @return array{int, int} the place of the page's first row, and how many at most */
    private static function page(Request $request, string $name = ''): array
    {
        $all = $request->boolean(self::parameter($name, 'all'));

        return [max(0, $request->integer(self::parameter($name, 'from'))), $all ? self::ALL : self::ROWS];
    }

    /** @param  array<string>  $typed */
    private static function has(string $words, array $typed): bool
    {
        $plain = PlainText::of($words);
        foreach ($typed as $word) {
            if (! str_contains($plain, $word)) {
                return false;
            }
        }

        return true;
    }
}
