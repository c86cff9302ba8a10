<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Movement;
use Ajuste\Core\Subledger\Timeline;
use Illuminate\Support\Facades\DB;
use PDO;

/** What was matched on items, and taken back, day by day. */
final class Timelines
{
    /** So many items are asked for at once. */
    private const CHUNK = 400;

    /**
     * @param list<int> $itemIds
     * @param ?string $knownAt only what was recorded by that moment; null: all
     * @return array<int, Timeline> by item id; none for items that nothing has moved
     */
    public function of(array $itemIds, ?string $knownAt = null): array
    {
        return array_map(static fn (array $movements): Timeline => new Timeline($movements), $this->movements($itemIds, $knownAt));
    }

    /**
     * @param list<int> $itemIds
     * @return array<int, non-empty-list<Movement>> by item id, in posting order
     */
    public function movements(array $itemIds, ?string $knownAt = null): array
    {
        $movements = [];
        foreach (array_chunk($itemIds, self::CHUNK) as $some) {
            foreach ($this->rows($some, $knownAt) as [$item, , $day, $amount, $base, $kind, $reversed]) {
                $movements[$item][] = new Movement($day, $amount, $base, Kind::from($kind));
                if ($reversed !== null) {
                    $movements[$item][] = new Movement($reversed, -$amount, -$base, Kind::from($kind));
                }
            }
        }

        return $movements;
    }

    /**
     * @param non-empty-list<int> $itemIds
     * @return list<array{int, int, string, int, int, string, ?string}> item, match, day, amount, base, kind of the other item, day of its
     *                                                                  reversal
     */
    private function rows(array $itemIds, ?string $knownAt): array
    {
        $in = implode(', ', $itemIds);
        $known = $knownAt === null ? '' : ' AND m.recorded_at <= :k';
        $side = static fn (
            string $own,
            string $other,
        ): string => "SELECT m.{$own}_item_id, m.id, m.date, m.amount, m.{$own}_base, o.kind, r.date
            FROM matches m JOIN items o ON o.id = m.{$other}_item_id
            LEFT JOIN match_reversals r ON r.match_id = m.id".
            ($knownAt === null ? '' : ' AND r.recorded_at <= :k').
            "
            WHERE m.{$own}_item_id IN ({$in}){$known}";
        $statement = DB::connection()
            ->getPdo()
            ->prepare($side('debit', 'credit').' UNION ALL '.$side('credit', 'debit').' ORDER BY 2');
        $statement->execute($knownAt === null ? [] : ['k' => $knownAt]);

        /** @var list<array{int, int, string, int, int, string, ?string}> */
        return $statement->fetchAll(PDO::FETCH_NUM);
    }
}
