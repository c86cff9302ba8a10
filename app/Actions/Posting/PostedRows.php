<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlannedSettlement;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Movement;
use Ajuste\Core\Subledger\Timeline;
use App\Queries\Timelines;
use App\Support\Actor;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOStatement;

/**
 * Inserts posted rows and keeps what is derived from them in step: open positions, and the sums by account and day. Used by the
 * recorder of plans and by imports, inside their transactions.
 */
final class PostedRows
{
    /** So many items are read and written by one statement. */
    private const TOGETHER = 100;

    public readonly string $recordedAt;

    private readonly PDO $pdo;

    private readonly PreparedInserts $inserts;

    /** @var array<string, PDOStatement> */
    private array $statements = [];

    /** @var array<string, array{int, int}> by account and day what is to be added to ledger and items */
    private array $days = [];

    private ?bool $anyReversals = null;

    /** @var array<string, int> by table; the transaction holds the lock for writing, so that nobody else counts on */
    private array $lastIds = [];

    /** @var array<string, true> rows that are gathered and not yet written, by what they are looked for */
    private array $waiting = [];

    public function __construct(private readonly Actor $actor, private readonly Timelines $timelines = new Timelines())
    {
        $this->recordedAt = Moment::now();
        $this->pdo = DB::connection()->getPdo();
        $this->inserts = new PreparedInserts($this->pdo);
    }

    /** What was gathered is written; before anybody reads what it may be among. */
    public function settle(): void
    {
        $this->inserts->flush();
        $this->waiting = [];
    }

    /** Whether items of a document, kind and customer are gathered and not yet written. */
    public function itemsWait(string $document, Kind $kind, int $customerId): bool
    {
        return isset($this->waiting["{$customerId} {$kind->value} {$document}"]);
    }

    /** Whether lines of an entry on an account are. */
    public function postingsWait(string $entry, int $accountId): bool
    {
        return isset($this->waiting["{$accountId} {$entry}"]);
    }

    private function wait(string $for, bool $isWritten): void
    {
        $isWritten ? ($this->waiting = []) : ($this->waiting[$for] = true);
    }

    /** @return int the posting, which may wait to be written with others */
    public function posting(PostingRow $row): int
    {
        $id = $this->next('postings');
        $isWritten = $this->inserts->insert('postings', ['id' => $id, ...$this->postingRow($row)]);
        $this->wait("{$row->accountId} {$row->entry}", $isWritten);

        return $id;
    }

    /**
     * The lines of a voucher, which stand before it.
     *
     * @param iterable<PostingRow> $rows
     */
    public function postings(iterable $rows): void
    {
        foreach ($rows as $row) {
            $this->inserts->insert('postings', ['id' => $this->next('postings'), ...$this->postingRow($row)]);
        }
        $this->inserts->flush();
    }

    /** @return non-empty-array<string, int|string|null> */
    private function postingRow(PostingRow $row): array
    {
        $text = $row->text;
        $this->addToDay($row->accountId, $row->date, $row->base, 0);

        return [
            'voucher_id' => $row->source->voucherId,
            'import_file_id' => $row->source->importFileId,
            'source_row' => $row->source->row,
            'entry' => $row->entry,
            'occurrence' => $row->occurrence,
            'version' => $row->source->version,
            'date' => $row->date,
            'account_id' => $row->accountId,
            'base' => $row->base,
            'description' => $text->description,
            'document' => $text->document,
            'customer' => $text->customer,
            'reference' => $text->reference,
            'source' => $text->source,
            'batch' => $text->batch,
            'currency' => $row->original->currency->code ?? '',
            'currency_amount' => $row->original?->minor,
            'recorded_at' => $this->recordedAt,
        ];
    }

    /** A later version of an imported posting takes its place. */
    public function supersedePosting(int $id, int $accountId, string $date, int $base): void
    {
        $this->run('UPDATE postings SET superseded_at = ? WHERE id = ?', [$this->recordedAt, $id]);
        $this->addToDay($accountId, $date, -$base, 0);
    }

    /** The number of the next row of a table. */
    private function next(string $table): int
    {
        $this->lastIds[$table] ??= (int) $this->run("SELECT coalesce(max(id), 0) FROM {$table}", [])->fetchColumn();

        return ++$this->lastIds[$table];
    }

    /** @return int the item, which may wait to be written with others */
    public function item(ItemRow $row): int
    {
        $id = $this->next('items');
        [$head, $account] = [$row->head, $row->head->account];
        $this->insertItem($id, $row);
        if ($row->links->rootId === null) {
            $isWritten = $this->inserts->insert('item_positions', [
                'item_id' => $id,
                'row_id' => $id,
                'control_account_id' => $account->controlAccountId,
                'customer_id' => $account->customerId,
                'amount' => $row->amount->minor,
            ]);
            $this->wait("{$account->customerId} {$head->kind->value} {$head->document}", $isWritten);
        } else {
            $this->run('UPDATE item_positions SET row_id = ?, control_account_id = ?, amount = ? WHERE item_id = ?', [
                $id,
                $account->controlAccountId,
                $row->amount->minor,
                $row->links->rootId,
            ]);
            $this->refreshPositions([$row->links->rootId]);
        }
        $this->addToDay($account->controlAccountId, $head->date, 0, $head->side->signed($row->base)->minor);

        return $id;
    }

    private function insertItem(int $id, ItemRow $row): void
    {
        [$head, $account] = [$row->head, $row->head->account];
        $this->inserts->insert('items', [
            'id' => $id,
            'root_id' => $row->links->rootId ?? $id,
            'version' => $row->source->version,
            'document' => $head->document,
            'kind' => $head->kind->value,
            'customer_id' => $account->customerId,
            'occurrence' => $row->occurrence,
            'side' => $head->side->value,
            'date' => $head->date,
            'due_date' => $head->dueDate,
            'currency' => $row->amount->currency->code,
            'amount' => $row->amount->minor,
            'base' => $row->base->minor,
            'control_account_id' => $account->controlAccountId,
            'reference' => $head->reference,
            'entry' => $row->entry,
            'batch' => $row->batch,
            'terms' => $head->terms,
            'source_item_id' => $row->links->correctsId,
            'voucher_id' => $row->source->voucherId,
            'import_file_id' => $row->source->importFileId,
            'source_row' => $row->source->row,
            'recorded_at' => $this->recordedAt,
        ]);
    }

    /** The place of one more item among those with its document, kind and customer. */
    public function nextOccurrence(string $document, Kind $kind, int $customerId): int
    {
        $this->itemsWait($document, $kind, $customerId) && $this->settle();
        $sql = 'SELECT max(occurrence) FROM items WHERE document = ? AND kind = ? AND customer_id = ?';

        return 1 + (int) $this->execute($sql, [$document, $kind->value, $customerId])->fetchColumn();
    }

    /** A later version of an imported item takes its place; its matches stay with it. */
    public function supersedeItem(int $rowId, int $controlAccountId, string $date, int $signedBase): void
    {
        $this->run('UPDATE items SET superseded_at = ? WHERE id = ?', [$this->recordedAt, $rowId]);
        $this->addToDay($controlAccountId, $date, 0, -$signedBase);
    }

    /** @return int the match */
    public function match(string $date, int $debitItemId, int $creditItemId, MatchedAmounts $of, MatchSource $source): int
    {
        $this->matchTogether($date, $debitItemId, $creditItemId, $of, $source);
        $this->inserts->flush();
        $id = $this->lastId();
        $this->move([
            $debitItemId => [new Movement($date, $of->amount->minor, $of->debitBase->minor)],
            $creditItemId => [new Movement($date, $of->amount->minor, $of->creditBase->minor)],
        ]);

        return $id;
    }

    /** One of many matches; what its items have open is told by move(), of all of them together. */
    public function matchTogether(string $date, int $debitItemId, int $creditItemId, MatchedAmounts $of, MatchSource $source): void
    {
        $this->inserts->insert('matches', [
            'settlement_id' => $source->settlementId,
            'import_file_id' => $source->importFileId,
            'source_row' => $source->row,
            'date' => $date,
            'debit_item_id' => $debitItemId,
            'credit_item_id' => $creditItemId,
            'amount' => $of->amount->minor,
            'debit_base' => $of->debitBase->minor,
            'credit_base' => $of->creditBase->minor,
            'recorded_at' => $this->recordedAt,
        ]);
    }

    /**
     * What matches that were written have moved of items. Where matches were ever taken back, it is worked out anew from all of them.
     *
     * @param array<int, non-empty-list<Movement>> $moved by item
     */
    public function move(array $moved): void
    {
        $this->settle();
        foreach (array_chunk($moved, self::TOGETHER, true) as $some) {
            $positions = $this->positions(array_keys($some));
            $all = $this->anyReversals() ? $this->timelines->movements(array_keys($some)) : [];
            $rows = [];
            foreach ($positions as $itemId => [$matched, $base, $last, $itemAmount, $itemBase]) {
                $before = $last === '' ? [] : [new Movement($last, $matched, $base)];
                $rows[] = $this->positionRow($itemId, $itemAmount, $itemBase, $all[$itemId] ?? [...$before, ...$some[$itemId]]);
            }
            $this->keepPositions($rows);
        }
    }

    /** The items of matches that are taken back are told by refreshPositions(), all of them together. */
    public function reverseMatch(int $matchId, string $date, string $reason): void
    {
        $this->inserts->insert('match_reversals', [
            'match_id' => $matchId,
            'date' => $date,
            'reason' => $reason,
            'who' => $this->actor->who,
            'recorded_at' => $this->recordedAt,
        ]);
        $this->anyReversals = true;
    }

    /**
     * Works out anew where the items of matches stand.
     *
     * @param list<int> $matchIds
     */
    public function refreshItemsOf(array $matchIds): void
    {
        $this->settle();
        $itemIds = [];
        foreach (array_chunk($matchIds, self::TOGETHER) as $some) {
            $sql = 'SELECT debit_item_id, credit_item_id FROM matches WHERE id IN ('.self::places($some).')';
            foreach ($this->run($sql, $some)->fetchAll(PDO::FETCH_NUM) as [$debit, $credit]) {
                $itemIds[(int) $debit] = $itemIds[(int) $credit] = true;
            }
        }
        $this->refreshPositions(array_keys($itemIds));
    }

    /**
     * @param list<PlannedSettlement> $settlements
     * @return list<int> their keys, in the same order
     */
    public function settlements(array $settlements): array
    {
        $ids = [];
        $last = $settlements === [] ? 0 : (int) $this->run('SELECT coalesce(max(id), 0) FROM settlements', [])->fetchColumn();
        foreach ($settlements as $settlement) {
            $ids[] = ++$last;
            $this->inserts->insert('settlements', [
                'id' => $last,
                'customer_id' => $settlement->customerId,
                'date' => $settlement->date,
                'who' => $this->actor->who,
                'recorded_at' => $this->recordedAt,
            ]);
        }
        $this->inserts->flush();

        return $ids;
    }

    /** Writes what has gathered, the day sums too; to be called before the transaction ends. */
    public function flush(): void
    {
        $this->settle();
        foreach ($this->days as $key => [$ledger, $items]) {
            [$account, $day] = explode(' ', $key);
            $this->run(
                'INSERT INTO control_days (account_id, date, ledger, items) VALUES (?, ?, ?, ?)
                 ON CONFLICT (account_id, date) DO UPDATE SET ledger = ledger + excluded.ledger, items = items + excluded.items',
                [(int) $account, $day, $ledger, $items],
            );
        }
        $this->days = [];
    }

    /** @param  list<int>  $itemIds */
    private function refreshPositions(array $itemIds): void
    {
        foreach (array_chunk($itemIds, self::TOGETHER) as $some) {
            $all = $this->timelines->movements($some);
            $rows = [];
            foreach ($this->positions($some) as $itemId => [, , , $amount, $base]) {
                $rows[] = $this->positionRow($itemId, $amount, $base, $all[$itemId] ?? []);
            }
            $this->keepPositions($rows);
        }
    }

    /**
     * @param list<Movement> $movements all that have moved it
     * @return list<int|string|null>
     */
    private function positionRow(int $itemId, int $amount, int $base, array $movements): array
    {
        $timeline = new Timeline($movements);

        return [
            $itemId,
            array_sum(array_column($movements, 'amount')),
            array_sum(array_column($movements, 'base')),
            $timeline->lastDay(),
            $timeline->settledInFullOn($amount, $base),
        ];
    }

    /** @param  list<list<int|string|null>>  $rows item, matched, moved, last moved on, settled on */
    private function keepPositions(array $rows): void
    {
        if ($rows !== []) {
            $values = implode(', ', array_fill(0, count($rows), '(?, ?, ?, ?, ?)'));
            $sql = "UPDATE item_positions SET matched = now.column2, moved = now.column3, last_moved_on = now.column4,
                settled_on = now.column5 FROM (VALUES {$values}) now WHERE item_id = now.column1";
            $this->settle();
            $statement = $this->statements[$sql] ??= $this->pdo->prepare($sql);
            $statement->execute(array_merge(...$rows)); // as texts, see PreparedInserts
        }
    }

    /**
     * @param list<int> $itemIds
     * @return array<int, array{int, int, string, int, int}> matched, moved, last moved on, and the item's amount and base, by item
     */
    private function positions(array $itemIds): array
    {
        $positions = [];
        $sql = 'SELECT p.item_id, p.matched, p.moved, p.last_moved_on, i.amount, i.base
            FROM item_positions p JOIN items i ON i.id = p.row_id WHERE p.item_id IN ('.self::places($itemIds).')';
        /** @var array{int, int, int, string, int, int} $row */
        foreach ($this->run($sql, $itemIds)->fetchAll(PDO::FETCH_NUM) as $row) {
            $positions[$row[0]] = array_slice($row, 1);
        }

        return $positions;
    }

    /** @param  list<int>  $of */
    private static function places(array $of): string
    {
        return implode(', ', array_fill(0, count($of), '?'));
    }

    private function addToDay(int $accountId, string $date, int $ledger, int $items): void
    {
        $key = "{$accountId} {$date}";
        [$before, $beforeItems] = $this->days[$key] ?? [0, 0];
        $this->days[$key] = [$before + $ledger, $beforeItems + $items];
    }

    private function anyReversals(): bool
    {
        return $this->anyReversals ??= (bool) $this->run('SELECT EXISTS (SELECT 1 FROM match_reversals)', [])->fetchColumn();
    }

    /** @param  list<int|string|null>  $values */
    private function run(string $sql, array $values): PDOStatement
    {
        $this->settle();

        return $this->execute($sql, $values);
    }

    /** @param  list<int|string|null>  $values */
    private function execute(string $sql, array $values): PDOStatement
    {
        $statement = $this->statements[$sql] ??= $this->pdo->prepare($sql);
        foreach ($values as $place => $value) {
            $type = is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR);
            $statement->bindValue($place + 1, $value, $type);
        }
        $statement->execute();

        return $statement;
    }

    private function lastId(): int
    {
        return (int) $this->pdo->lastInsertId();
    }
}
