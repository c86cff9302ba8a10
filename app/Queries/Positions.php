<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedItem;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Presentation\Standing;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Closure;
use Generator;
use Illuminate\Support\Facades\DB;
use PDOStatement;
use stdClass;

/** Items with what is open of them at the end of a day, and as it was known at a moment. */
final readonly class Positions
{
    public function __construct(private Settings $settings) {}

    /**
     * Items that carry something at the day's end, for the aged list. An exchange difference comes with the dates of its source.
     *
     * @return Generator<int, AgedItem>
     */
    public function forAging(int $accountId, string $asOf, ?string $knownAt = null, ?int $customerId = null): Generator
    {
        foreach ($this->open($accountId, $asOf, $knownAt, $customerId) as $row) {
            yield $row->item_id => new AgedItem($row->customer, $row->name, $row->currency, $row->signedBase(), Side::from($row->standing_side), $row->standing_date, $row->standing_due);
        }
    }

    /** A customer's balance at the day's end, base currency, debit-positive; matches never change it. */
    public function balance(int $accountId, int $customerId, string $asOf): Money
    {
        return Money::ofMinor((int) DB::table('items')->where('customer_id', $customerId)->where('control_account_id', $accountId)->where('date', '<=', $asOf)->whereNull('superseded_at')
            ->sum(DB::raw("CASE side WHEN 'debit' THEN base ELSE -base END")), $this->settings->base());
    }

    /**
     * @param list<int> $itemIds
     * @return array<int, string> kind and document, by item id
     */
    public function titles(array $itemIds): array
    {
        $titles = [];
        foreach (array_chunk($itemIds, 500) as $some) {
            foreach (DB::table('items')->whereIn('root_id', $some)->whereNull('superseded_at')->get(['root_id', 'kind', 'document']) as $row) {
                $titles[(int) $row->root_id] = ucfirst(Kind::from($row->kind)->words()).' '.$row->document;
            }
        }

        return $titles;
    }

    /** @return Generator<int, Standing> */
    public function forPresentation(int $accountId, string $asOf): Generator
    {
        foreach ($this->open($accountId, $asOf, null, null) as $row) {
            yield new Standing(
                $row->customer_id, $row->customer, $row->name, $row->standing_id, $row->standing_document, $row->currency,
                Side::from($row->side)->sign() * ($row->amount - $row->matched_then), $row->signedBase(), $row->standing_side === 'credit',
            );
        }
    }

    /**
     * Items with an open amount at the day's end, by customer id: the customer's number and name, the item, and what it carried in base, positive.
     *
     * @return Generator<int, array{string, string, OpenItem, int}>
     */
    public function openOn(int $accountId, string $asOf): Generator
    {
        foreach ($this->open($accountId, $asOf, null, null) as $row) {
            if ($row->amount > $row->matched_then) {
                yield $row->customer_id => [$row->customer, $row->name, $this->openItem($row, $row->item_id, $row->matched_then, $row->matched_now, $row->moved_now), abs($row->signedBase())];
            }
        }
    }

    /**
     * Items that a match of the day could take: open then, and not taken since. By customer id.
     *
     * @return Generator<int, OpenItem>
     */
    public function forMatching(int $accountId, string $asOf): Generator
    {
        foreach ($this->open($accountId, $asOf, null, null) as $row) {
            if ($row->amount > max($row->matched_then, $row->matched_now)) {
                yield $row->customer_id => $this->openItem($row, $row->item_id, max($row->matched_then, $row->matched_now), $row->matched_now, $row->moved_now);
            }
        }
    }

    /**
     * Open items of one customer, oldest due first, as a match of the day could take them: what was open then, and was not taken since.
     *
     * @return list<OpenItem>
     */
    public function itemsToMatch(int $accountId, int $customerId, string $asOf): array
    {
        return $this->itemsOf($accountId, $customerId, $asOf, static fn (OpenRow $row): int => max($row->matched_then, $row->matched_now));
    }

    /**
     * Open items of one customer at the day's end, oldest due first.
     *
     * @return list<OpenItem>
     */
    public function openItems(int $accountId, int $customerId, string $asOf): array
    {
        return $this->itemsOf($accountId, $customerId, $asOf, static fn (OpenRow $row): int => $row->matched_then);
    }

    /**
     * @param Closure(OpenRow): int $taken
     * @return list<OpenItem>
     */
    private function itemsOf(int $accountId, int $customerId, string $asOf, Closure $taken): array
    {
        $items = [];
        foreach ($this->open($accountId, $asOf, null, $customerId) as $row) {
            if ($row->amount > $taken($row)) {
                $items[] = $this->openItem($row, $row->item_id, $taken($row), $row->matched_now, $row->moved_now);
            }
        }
        usort($items, static fn (OpenItem $one, OpenItem $other): int => [$one->dueDate, $one->document, $one->id] <=> [$other->dueDate, $other->document, $other->id]);

        return $items;
    }

    /**
     * The latest day on which a match of one of these items was reversed, blank where none was: only from then on all of what is open now is open.
     *
     * @param list<int> $itemIds
     */
    public function freeFrom(array $itemIds): string
    {
        return (string) DB::table('match_reversals as r')->join('matches as m', 'm.id', '=', 'r.match_id')->where(static fn ($query) => $query->whereIn('m.debit_item_id', $itemIds)->orWhereIn('m.credit_item_id', $itemIds))->max('r.date');
    }

    /**
     * One item as it is open now, on all days.
     *
     * @throws Refusal when there is no such item
     */
    public function find(int $itemId): OpenItem
    {
        $row = DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->where('p.item_id', $itemId)->first(['p.matched', 'p.moved', 'i.*']) ?? throw new Refusal('There is no such item. Load the page again.');

        return $this->openItem($row, $itemId, $row->matched, $row->matched, $row->moved);
    }

    /**
     * @param stdClass|OpenRow $row columns of an item
     * @param int $taken what matches have taken of it, on the day that matters; minor units
     * @param int $matched likewise on all days
     * @param int $moved base moved off on all days
     */
    public function openItem(stdClass|OpenRow $row, int $itemId, int $taken, int $matched, int $moved): OpenItem
    {
        return new OpenItem(
            id: $itemId, document: $row->document, kind: Kind::from($row->kind), side: Side::from($row->side), date: $row->date, dueDate: $row->due_date,
            amount: Money::ofMinor($row->amount, $row->currency), open: Money::ofMinor($row->amount - $taken, $row->currency),
            base: Money::ofMinor($row->base, $this->settings->base()), matched: $matched, moved: $moved, reference: $row->reference, terms: $row->terms,
            customerId: $row->customer_id, controlAccountId: $row->control_account_id,
        );
    }

    /**
     * What a match of the day could take of each customer, alike items together.
     *
     * @param non-empty-list<int> $accountIds
     * @param ?list<int> $customerIds null: all
     * @return Generator<int, OpenSum>
     */
    public function sums(array $accountIds, string $asOf, ?array $customerIds = null): Generator
    {
        foreach ($customerIds ?? [null] as $customerId) {
            foreach ($accountIds as $accountId) {
                yield from $this->sumsOf($accountId, $asOf, $customerId);
            }
        }
    }

    /** @return Generator<int, OpenSum> */
    private function sumsOf(int $accountId, string $asOf, ?int $customerId): Generator
    {
        // The factors tell open items apart; they are small enough for any sum to fit.
        $statement = DB::connection()->getPdo()->prepare(
            'SELECT o.*, c.customer, c.name FROM (
                SELECT customer_id, control_account_id, kind, side, currency, count(*) AS items, sum(base - max(moved_then, moved_now)) AS base, min(date) AS oldest, max(recorded_at) AS newest,
                       sum(row_id % 100003 * 10007 + (amount - max(matched_then, matched_now)) % 99991 * (row_id % 1009 + 1)) AS state
                FROM ('.self::rows('i.id AS row_id, i.recorded_at, p.matched AS matched_now, p.moved AS moved_now', null, $customerId).') WHERE amount > max(matched_then, matched_now) GROUP BY customer_id, control_account_id, kind, side, currency) o JOIN customers c ON c.id = o.customer_id',
        );
        $statement->execute(array_filter(['a' => $accountId, 'd' => $asOf, 'c' => $customerId], static fn (mixed $value): bool => $value !== null));
        while (($sum = $statement->fetchObject(OpenSum::class)) !== false) {
            yield $sum;
        }
    }

    /**
     * Rows of items that are open, or still carry base, at the day's end.
     *
     * @return Generator<int, OpenRow>
     */
    private function open(int $accountId, string $asOf, ?string $knownAt, ?int $customerId): Generator
    {
        $statement = $this->statement($accountId, $asOf, $knownAt, $customerId);
        while (($row = $statement->fetchObject(OpenRow::class)) !== false) {
            if ($row->amount === $row->matched_then && $row->base === $row->moved_then) {
                continue;
            }
            yield $row;
        }
    }

    private function statement(int $accountId, string $asOf, ?string $knownAt, ?int $customerId): PDOStatement
    {
        $statement = DB::connection()->getPdo()->prepare(
            'SELECT o.*, c.customer, c.name, coalesce(s.root_id, o.item_id) AS standing_id, coalesce(s.document, o.document) AS standing_document,
                    coalesce(s.side, o.side) AS standing_side, coalesce(s.date, o.date) AS standing_date, coalesce(s.due_date, o.due_date) AS standing_due
             FROM ('.self::rows('i.document, i.due_date, i.reference, i.terms, i.source_item_id, p.matched AS matched_now, p.moved AS moved_now', $knownAt, $customerId).') o
             JOIN customers c ON c.id = o.customer_id
             LEFT JOIN items s ON s.root_id = o.source_item_id AND s.superseded_at IS NULL AND o.source_item_id IS NOT NULL',
        );
        $statement->execute(array_filter(['a' => $accountId, 'd' => $asOf, 'k' => $knownAt, 'c' => $customerId], static fn (mixed $value): bool => $value !== null));

        return $statement;
    }

    /** Items of one account with what was matched of them at the day's end. */
    private static function rows(string $more, ?string $knownAt = null, ?int $customerId = null): string
    {
        $matched = static fn (string $debit, string $credit): string => '(SELECT coalesce(sum(n), 0) FROM ('
            ."SELECT {$debit} AS n, id, date, recorded_at FROM matches WHERE debit_item_id = i.root_id UNION ALL SELECT {$credit}, id, date, recorded_at FROM matches WHERE credit_item_id = i.root_id) m
               WHERE m.date <= :d".($knownAt === null ? '' : ' AND m.recorded_at <= :k').' AND NOT EXISTS (SELECT 1 FROM match_reversals r WHERE r.match_id = m.id AND r.date <= :d'.($knownAt === null ? '' : ' AND r.recorded_at <= :k').'))';
        $then = static fn (string $kept, string $worked): string => $knownAt === null ? "CASE WHEN p.last_moved_on <= :d THEN p.{$kept} ELSE {$worked} END" : $worked;
        // What is known now is found by its positions, so that cost follows what is open; an earlier moment is worked out from all rows.
        $from = $knownAt === null
            ? ($customerId === null
                ? 'item_positions p JOIN items i ON i.id = p.row_id WHERE p.item_id IN (SELECT item_id FROM item_positions WHERE control_account_id = :a AND settled_on IS NULL UNION ALL SELECT item_id FROM item_positions WHERE control_account_id = :a AND settled_on > :d)'
                : 'item_positions p INDEXED BY positions_customer JOIN items i ON i.id = p.row_id WHERE p.control_account_id = :a AND (p.settled_on IS NULL OR p.settled_on > :d)')
            : 'items i JOIN item_positions p ON p.item_id = i.root_id WHERE i.control_account_id = :a AND i.recorded_at <= :k AND (i.superseded_at IS NULL OR i.superseded_at > :k)';

        return 'SELECT i.root_id AS item_id, i.customer_id, i.kind, i.side, i.date, i.currency, i.amount, i.base, i.control_account_id, '
            .$then('matched', $matched('amount', 'amount')).' AS matched_then, '.$then('moved', $matched('debit_base', 'credit_base'))." AS moved_then, {$more}
             FROM {$from} AND i.date <= :d".($customerId === null ? '' : ' AND p.customer_id = :c');
    }
}
