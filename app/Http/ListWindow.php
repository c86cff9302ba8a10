<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Foreign\PlainWords;
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

    /** @var list<T> those on this page */
    public array $rows;

    /** @var list<T> all that have the words */
    public array $found;

    /** The place of the first row of the next page. */
    public int $next;

    /** Whether the page cannot filter and sort by itself, since it has not all rows. */
    public bool $isPart;

    /**
     * @param list<T> $rows in their own order
     * @param Closure(T): string $words of a row, by which it is found
     * @param array<string, Closure(T): (int|string)> $orders by the name of the column
     */
    public function __construct(Request $request, array $rows, Closure $words, array $orders = [])
    {
        $typed = array_filter(explode(' ', PlainWords::of($request->string('words')->limit(200, '')->toString())));
        $found = $typed === [] ? $rows : array_values(array_filter($rows, static fn (mixed $row): bool => self::has($words($row), $typed)));
        $order = $orders[$request->string('order')->toString()] ?? null;
        if ($order !== null) {
            $keys = array_map($order, $found);
            $as = is_int($keys[0] ?? 0) ? SORT_NUMERIC : SORT_STRING;
            $places = array_keys($found); // those alike stay in the list's own order
            array_multisort($keys, $request->boolean('descending') ? SORT_DESC : SORT_ASC, $as, $places);
            $found = array_map(static fn (int $place): mixed => $found[$place], $places);
        }
        $from = max(0, $request->integer('from'));
        $this->found = $found;
        $this->rows = array_slice($found, $from, $request->boolean('all') ? self::ALL : self::ROWS);
        $this->next = $from + count($this->rows);
        $this->isPart = count($rows) > self::ROWS;
    }

    /** @param  array<string>  $typed */
    private static function has(string $words, array $typed): bool
    {
        $plain = PlainWords::of($words);
        foreach ($typed as $word) {
            if (! str_contains($plain, $word)) {
                return false;
            }
        }

        return true;
    }
}
