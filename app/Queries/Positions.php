<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Presentation\Standing;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use Generator;
use Illuminate\Support\Facades\DB;
use PDO;

/**
 * The one reading of items: where they stand at the end of a day, and as it was known at a moment. Pages, commands, proposals, plans
 * and exports ask here; what the rows mean is worked out by the core (Timeline, Position).
 */
final readonly class Positions
{
    /** After every day that can be: where an item stands when all of its matches have taken effect. */
    private const ALL_DAYS = '9999-12-31';

    /** Rows that are looked at together, so that few questions are asked. */
    private const CHUNK = 400;

    private const COLUMNS = 'i.root_id AS item_id, i.customer_id, c.customer, c.name, i.document, i.kind, i.side, i.date, i.due_date, '
        .'i.currency, i.amount, i.base,
        p.matched, p.moved, p.last_moved_on, i.reference, i.terms, i.control_account_id, i.recorded_at, i.source_item_id';

    public function __construct(private Settings $settings, private Timelines $timelines, private UnrealisedDifferences $unrealised) {}

    /**
     * @param ?list<int> $customerIds null: all
     * @return Generator<int, Standing>
     */
    public function forPresentation(int $accountId, string $asOf, ?array $customerIds = null): Generator
    {
        foreach ($this->standing($accountId, $asOf, null, $customerIds) as $row) {
            yield new Standing(
                new Customer($row->customer_id, $row->customer, $row->name),
                $row->source_item_id ?? $row->item_id,
                $row->source_document ?? $row->document,
                Currency::of($row->currency),
                $row->open(),
                $row->carried(),
                ($row->source_side ?? $row->side) === Side::Credit->value,
            );
        }
    }

    /**
     * Items of which something is open at the day's end.
     *
     * @return Generator<int, array{Customer, OpenItem}> by customer id
     */
    public function open(int $accountId, string $asOf): Generator
    {
        yield from $this->whatIsOpen($this->standing($accountId, $asOf, null, null));
    }

    /**
     * The same of items that a match ever took something of.
     *
     * @return Generator<int, array{Customer, OpenItem}> by customer id
     */
    public function openInPart(int $accountId, string $asOf): Generator
    {
        yield from $this->whatIsOpen($this->standing($accountId, $asOf, null, null, WhichItems::Moved));
    }

    /**
     * @param iterable<OpenRow> $rows
     * @return Generator<int, array{Customer, OpenItem}> by customer id
     */
    private function whatIsOpen(iterable $rows): Generator
    {
        foreach ($rows as $row) {
            if ($row->open() !== 0) {
                yield $row->customer_id => [
                    new Customer($row->customer_id, $row->customer, $row->name),
                    $row->item($this->settings->base()),
                ];
            }
        }
    }

    /**
     * Items that a match of the day could take.
     *
     * @param ?list<int> $customerIds null: all
     * @return Generator<int, OpenItem> by customer id
     */
    public function takeable(int $accountId, string $asOf, ?array $customerIds = null): Generator
    {
        foreach ($this->takeableRows($accountId, $asOf, $customerIds) as $row) {
            yield $row->customer_id => $row->item($this->settings->base());
        }
    }

    /**
     * The same as rows, for lists of many.
     *
     * @param ?list<int> $customerIds null: all
     * @return Generator<int, OpenRow>
     */
    public function takeableRows(int $accountId, string $asOf, ?array $customerIds = null): Generator
    {
        foreach ($this->standing($accountId, $asOf, null, $customerIds) as $row) {
            if ($row->isTakeable()) {
                yield $row;
            }
        }
    }

    /** @return list<OpenItem> of one customer, oldest due first, that a match of the day could take */
    public function takeableOf(int $accountId, int $customerId, string $asOf): array
    {
        return self::byAge(iterator_to_array($this->takeable($accountId, $asOf, [$customerId]), false));
    }

    /** @return list<OpenItem> of one customer, oldest due first, of which something is open at the day's end */
    public function openOf(int $accountId, int $customerId, string $asOf): array
    {
        $items = [];
        foreach ($this->standing($accountId, $asOf, null, [$customerId]) as $row) {
            if ($row->open() !== 0) {
                $items[] = $row->item($this->settings->base());
            }
        }

        return self::byAge($items);
    }

    /**
     * One item, on all days.
     *
     * @throws Refusal when there is no such item
     */
    public function find(int $itemId): OpenItem
    {
        return $this->several([$itemId])[$itemId] ?? throw Refusal::notFound('There is no such item. Load the page again.');
    }

    /**
     * Items as a match of the day could take them.
     *
     * @param list<int> $itemIds
     * @param ?string $day null: whichever day is free for what is open of them now
     * @return array<int, OpenItem> by item id, in the order asked for; without those that are not there
     */
    public function several(array $itemIds, ?string $day = null): array
    {
        $found = [];
        foreach (array_chunk($itemIds, self::CHUNK) as $some) {
            $statement = DB::connection()
                ->getPdo()
                ->query(
                    'SELECT '.
                        self::COLUMNS.
                        ' FROM item_positions p JOIN items i ON i.id = p.row_id
                JOIN customers c ON c.id = i.customer_id WHERE p.item_id IN ('.
                        implode(', ', array_map(intval(...), $some)).
                        ')',
                );
            $rows = $statement === false ? [] : $statement->fetchAll(PDO::FETCH_CLASS, OpenRow::class);
            $timelines = $this->timelines->of(array_column($rows, 'item_id'));
            $this->addUnrealised($rows);
            foreach ($rows as $row) {
                $row->position = isset($timelines[$row->item_id])
                    ? $timelines[$row->item_id]->at($day ?? self::ALL_DAYS)
                    : Position::untouched();
                $found[$row->item_id] = $row->item($this->settings->base());
            }
        }

        return array_replace(array_intersect_key(array_flip($itemIds), $found), $found);
    }

    /** A customer's balance at the day's end, base currency, debit-positive; matches never change it. */
    public function balance(int $accountId, int $customerId, string $asOf): Money
    {
        $items = DB::table('items')->where('customer_id', $customerId)->where('control_account_id', $accountId)->where('date', '<=', $asOf);

        return Money::ofMinor(
            (int) $items->whereNull('superseded_at')->sum(DB::raw("CASE side WHEN 'debit' THEN base ELSE -base END")),
            $this->settings->base(),
        );
    }

    /**
     * @param list<int> $itemIds
     * @return array<int, string> kind and document, by item id
     */
    public function titles(array $itemIds): array
    {
        $titles = [];
        foreach (array_chunk($itemIds, self::CHUNK) as $some) {
            foreach (
                DB::table('items')
                    ->whereIn('root_id', $some)
                    ->whereNull('superseded_at')
                    ->get(['root_id', 'kind', 'document']) as $row
            ) {
                $titles[(int) $row->root_id] = ucfirst(Kind::from($row->kind)->words()).' '.$row->document;
            }
        }

        return $titles;
    }

    /**
     * Items that are open, or still carry base, at the day's end, with where they stand then.
     *
     * @param ?list<int> $customerIds null: all
     * @return Generator<int, OpenRow>
     */
    public function standing(
        int $accountId,
        string $asOf,
        ?string $knownAt,
        ?array $customerIds,
        WhichItems $which = WhichItems::All,
    ): Generator {
        $waiting = $names = $days = [];
        foreach ($this->rows($accountId, $asOf, $knownAt, $customerIds, $which) as $row) {
            $waiting[] = $row;
            if (count($waiting) === self::CHUNK) {
                yield from $this->placed($this->named($waiting, $accountId, $names, $days), $asOf, $knownAt);
                $waiting = [];
            }
        }
        yield from $this->placed($this->named($waiting, $accountId, $names, $days), $asOf, $knownAt);
    }

    /**
     * What many rows say alike is in memory once.
     *
     * @param list<OpenRow> $rows
     * @param array<int, array{string, string, CustomerAccount}> $names those that were read already; takes in what these rows need
     * @param array<string, string> $days likewise
     * @return list<OpenRow>
     */
    private function named(array $rows, int $accountId, array &$names, array &$days): array
    {
        $unknown = array_diff_key(array_column($rows, 'customer_id', 'customer_id'), $names);
        $names += $unknown === [] ? [] : $this->names(array_values($unknown), $accountId);
        foreach ($rows as $row) {
            [$row->customer, $row->name, $row->account] = $names[$row->customer_id];
            $row->date = $days[$row->date] ??= $row->date;
            $row->due_date = $days[$row->due_date] ??= $row->due_date;
        }

        return $rows;
    }

    /**
     * Where nothing moved after the day, the positions in the books say it; else it is worked out from the movements.
     *
     * @param list<OpenRow> $rows
     * @return Generator<int, OpenRow>
     */
    private function placed(array $rows, string $asOf, ?string $knownAt): Generator
    {
        $later = array_filter(
            $rows,
            static fn (OpenRow $row): bool => $row->last_moved_on !== '' && ($knownAt !== null || $row->last_moved_on > $asOf),
        );
        $timelines = $this->timelines->of(array_column($later, 'item_id'), $knownAt);
        $knownAt === null && $this->addUnrealised($rows);
        foreach ($rows as $row) {
            $row->position = match (true) {
                isset($timelines[$row->item_id]) => $timelines[$row->item_id]->at($asOf),
                $knownAt !== null => Position::untouched(),
                default => Position::resting($row->matched, $row->moved),
            };
            if (! $row->isGone() || $row->isTakeable()) {
                yield $row;
            }
        }
    }

    /** @param  array<OpenRow>  $rows */
    private function addUnrealised(array $rows): void
    {
        $base = $this->settings->base()->code;
        $foreign = array_filter($rows, static fn (OpenRow $row): bool => $row->currency !== $base && $row->source_item_id === null);
        $found = $this->unrealised->of(array_values(array_map(static fn (OpenRow $row): int => $row->item_id, $foreign)));
        foreach ($foreign as $row) {
            $row->unrealised = $found[$row->item_id] ?? [];
        }
    }

    /**
     * What is known now is found by its positions, so that cost follows what is open; an earlier moment is worked out from all rows.
     *
     * @param ?list<int> $customerIds
     * @return Generator<int, OpenRow>
     */
    private function rows(int $accountId, string $asOf, ?string $knownAt, ?array $customerIds, WhichItems $which): Generator
    {
        $of = $customerIds === null ? '' : ' AND p.customer_id IN ('.implode(', ', array_map(intval(...), $customerIds)).')';
        $of .= $which->condition();
        $open = "SELECT item_id FROM item_positions WHERE control_account_id = :a{$which->amongOpen()} AND settled_on";
        $from = match (true) {
            $knownAt !== null => 'items i JOIN item_positions p ON p.item_id = i.root_id
                WHERE i.control_account_id = :a AND i.recorded_at <= :k AND (i.superseded_at IS NULL OR i.superseded_at > :k)',
            $customerIds === null => "item_positions p JOIN items i ON i.id = p.row_id WHERE p.item_id IN ({$open} IS NULL UNION "
                ."ALL {$open} > :d)",
            default => 'item_positions p INDEXED BY positions_customer JOIN items i ON i.id = p.row_id
                WHERE p.control_account_id = :a AND (p.settled_on IS NULL OR p.settled_on > :d)',
        };
        $statement = DB::connection()
            ->getPdo()
            ->prepare(
                'SELECT o.*, s.document AS source_document, s.side AS source_side, s.date AS source_date, s.due_date AS source_due_date
             FROM (SELECT '.
                    str_replace('c.customer, c.name, ', '', self::COLUMNS).
                    " FROM {$from} AND i.date <= :d{$of}) o
             LEFT JOIN items s ON s.root_id = o.source_item_id AND s.superseded_at IS NULL AND o.source_item_id IS NOT NULL",
            );
        $statement->execute(
            array_filter(['a' => $accountId, 'd' => $asOf, 'k' => $knownAt], static fn (mixed $value): bool => $value !== null),
        );
        while (($row = $statement->fetchObject(OpenRow::class)) !== false) {
            yield $row;
        }
    }

    /**
     * @param list<int> $customerIds
     * @return array<int, array{string, string, CustomerAccount}> number, name and what their items stand on, by customer id
     */
    private function names(array $customerIds, int $accountId): array
    {
        $names = [];
        foreach (DB::table('customers')->whereIn('id', $customerIds)->get(['id', 'customer', 'name']) as $row) {
            $names[(int) $row->id] = [$row->customer, $row->name, new CustomerAccount((int) $row->id, $accountId)];
        }

        return $names;
    }

    /**
     * @param list<OpenItem> $items
     * @return list<OpenItem>
     */
    private static function byAge(array $items): array
    {
        usort($items, OpenItem::byAge(...));

        return $items;
    }
}
