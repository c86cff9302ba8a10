<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\Cache;

/**
 * A value for each customer, kept in parts with a summary of each. After a change only the customers that it concerns are worked out
 * anew, and only their parts are written; who needs no more than sums reads the summaries.
 *
 * @template T of array<mixed>
 * @template S of array<mixed>
 */
final class CustomerValues
{
    private const SECONDS = 86_400;

    /** Many, so that a page of customers reads few others. */
    private const PARTS = 512;

    /** From so many changed customers on, all are worked out at once. */
    private const MANY = 300;

    /** @var array<string, array{string, int, array<int, mixed>}> the index that was read last, which one request asks several times */
    private static array $decoded = [];

    private string $key;

    /** @var ?array<int, array{string, S}> what index() found, read once */
    private ?array $found = null;

    /** @var array<int, array<int, T>> parts that were read already */
    private array $read = [];

    /**
     * @param string $name what it is, with its parameters
     * @param list<string> $tables that it is worked out from beside the customers' own items
     * @param Closure(?list<int>): iterable<int, T> $workOut lists and scalars for some customers, or for all (null); by customer id
     * @param Closure(array<int, T>): S $summary of the values of some customers
     * @param ?Closure(int, T): array<string, string> $briefs by what a list is ordered by: the customer's id, and after a blank the little
     *                                                        that is to be known of its row before it is shown; null: no list is made of it
     */
    public function __construct(
        string $name,
        private array $tables,
        private Closure $workOut,
        private Closure $summary,
        private ?Closure $briefs = null,
    ) {
        $this->key = Remembered::key($name);
    }

    /** @return array<string, string> of all rows, in their order */
    public function briefs(): array
    {
        $stamps = array_map(static fn (array $part): string => $part[0], $this->index());
        /** @var array{array<int, string>, array<string, string>} $kept the stamp of each part, and the briefs of all */
        $kept = self::decoded(Cache::get("{$this->key} rows"))[2] ?? [[], []];
        if ($kept[0] === $stamps) {
            return $kept[1];
        }
        $changed = array_diff_assoc($stamps, $kept[0]) + array_diff_key($kept[0], $stamps);
        $briefs = array_filter($kept[1], static fn (string $brief): bool => ! isset($changed[(int) $brief % self::PARTS]));
        foreach (array_keys(array_intersect_key($changed, $stamps)) as $part) {
            foreach ($this->part($part) as $id => $value) {
                $briefs += $this->briefs === null ? [] : ($this->briefs)($id, $value);
            }
        }
        ksort($briefs, SORT_STRING);
        Cache::put("{$this->key} rows", json_encode(['', 0, [$stamps, $briefs]], JSON_THROW_ON_ERROR), self::SECONDS);

        return $briefs;
    }

    /**
     * @param list<int> $ids
     * @return array<int, T> by customer id, those that there are
     */
    public function some(array $ids): array
    {
        $found = [];
        foreach ($ids as $id) {
            $value = $this->of($id);
            if ($value !== null) {
                $found[$id] = $value;
            }
        }

        return $found;
    }

    /** @return array<int, T> by customer id */
    public function all(): array
    {
        $parts = [];
        foreach (array_keys($this->index()) as $part) {
            $parts[] = $this->part($part);
        }

        return array_replace([], ...$parts);
    }

    /** @return ?T */
    public function of(int $customerId): ?array
    {
        return isset($this->index()[$customerId % self::PARTS]) ? $this->part($customerId % self::PARTS)[$customerId] ?? null : null;
    }

    /**
     * @param list<int> $but customers that are left out
     * @return list<S> of all the others, in parts
     */
    public function summaries(array $but = []): array
    {
        $index = $this->index();
        $summaries = array_column($index, 1);
        $places = array_flip(array_keys($index));
        foreach (array_unique(array_map(static fn (int $id): int => $id % self::PARTS, $but)) as $part) {
            if (isset($places[$part])) {
                $summaries[$places[$part]] = ($this->summary)(array_diff_key($this->part($part), array_flip($but)));
            }
        }

        return $summaries;
    }

    /** @return array<int, array{string, S}> of each part: the stamp of its values, and their summary */
    private function index(): array
    {
        return $this->found ??= $this->current();
    }

    /** @return array<int, array{string, S}> */
    private function current(): array
    {
        $state = Changes::books().' '.Changes::of($this->tables);
        $now = Changes::ofCustomers();
        $kept = self::$decoded[$this->key] ?? null;
        if ($kept === null || [$kept[0], $kept[1]] !== [$state, $now]) {
            $kept = self::decoded(Cache::get($this->key));
        }
        if ($kept !== null && [$kept[0], $kept[1]] === [$state, $now]) {
            self::$decoded = [$this->key => $kept];

            /** @var array<int, array{string, S}> */
            return $kept[2];
        }
        $changed = $kept === null || $kept[0] !== $state ? null : Changes::customersSince($kept[1], self::MANY);
        /** @var array<int, array{string, S}> $index */
        $index = $kept !== null && $changed !== null ? $kept[2] : [];
        foreach ($this->parted($changed) as $part => $values) {
            if ($changed !== null && isset($index[$part])) {
                $before = $this->stored($part, $index[$part][0]);
                if ($before === null) {
                    // another process has written it meanwhile
                    Cache::forget($this->key);

                    return $this->current();
                }
                $values += array_diff_key($before, array_flip($changed));
            }
            $stamp = "{$state} {$now}";
            $this->read[$part] = $values;
            Cache::put("{$this->key} {$part}", json_encode([$stamp, 0, $values], JSON_THROW_ON_ERROR), self::SECONDS);
            $index[$part] = [$stamp, ($this->summary)($values)];
        }
        Cache::put($this->key, json_encode([$state, $now, $index], JSON_THROW_ON_ERROR), self::SECONDS);

        return $index;
    }

    /**
     * @param ?list<int> $changed null: all
     * @return array<int, array<int, T>> values worked out, by part; a part that changed is there even if nothing is left of its customers
     */
    private function parted(?array $changed): array
    {
        $parts = [];
        foreach ($changed ?? [] as $id) {
            $parts[$id % self::PARTS] = [];
        }
        foreach (($this->workOut)($changed) as $id => $value) {
            $parts[$id % self::PARTS][$id] = $value;
        }

        return $parts;
    }

    /** @return array<int, T> */
    private function part(int $part): array
    {
        $values = $this->read[$part] ?? $this->stored($part, $this->index()[$part][0] ?? '');
        if ($values === null) {
            // another process has written it meanwhile: all is worked out anew
            Cache::forget($this->key);
            $this->found = null;
            $this->index();
        }

        return $this->read[$part] = $values ?? ($this->read[$part] ?? []);
    }

    /** @return ?array<int, T> null where it is not the one with that stamp */
    private function stored(int $part, string $stamp): ?array
    {
        $kept = self::decoded(Cache::get("{$this->key} {$part}"));

        /** @var ?array<int, T> */
        return $kept !== null && $kept[0] === $stamp ? $kept[2] : null;
    }

    /**
     * Plain text of lists is read several times as fast as objects.
     *
     * @return array{string, int, array<int, mixed>}|null
     */
    private static function decoded(mixed $json): ?array
    {
        $kept = is_string($json) ? json_decode($json, true) : null;

        return is_array($kept) && array_is_list($kept) && count($kept) === 3 ? $kept : null;
    }
}
