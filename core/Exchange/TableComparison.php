<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/**
 * Two tables of the same shape, the earlier and the later: what was added, what changed, what vanished. Rows are known by their key, and by
 * their place among equal keys.
 */
final class TableComparison
{
    /** @var list<list<string>> */
    public array $added = [];

    /** @var list<list<string>> */
    public array $vanished = [];

    /** @var list<array{list<string>, list<string>}> before and after */
    public array $changed = [];

    public int $same = 0;

    /**
     * @param iterable<list<string>> $earlier rows without headings
     * @param iterable<list<string>> $later
     * @param list<int> $key columns that name a row
     */
    public function __construct(iterable $earlier, iterable $later, array $key)
    {
        $before = self::byKey($earlier, $key);
        foreach (self::byKey($later, $key) as $name => $cells) {
            if (! isset($before[$name])) {
                $this->added[] = $cells;
            } elseif ($before[$name] === $cells) {
                $this->same++;
            } else {
                $this->changed[] = [$before[$name], $cells];
            }
            unset($before[$name]);
        }
        $this->vanished = array_values($before);
    }

    /**
     * @param iterable<list<string>> $rows
     * @param list<int> $key
     * @return array<string, list<string>>
     */
    private static function byKey(iterable $rows, array $key): array
    {
        $named = $times = [];
        foreach ($rows as $cells) {
            $name = implode("\x1f", array_map(static fn (int $column): string => $cells[$column] ?? '', $key));
            $times[$name] = ($times[$name] ?? 0) + 1;
            $named["{$name}\x1e{$times[$name]}"] = $cells;
        }

        return $named;
    }
}
