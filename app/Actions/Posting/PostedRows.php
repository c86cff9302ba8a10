<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Posting\MatchedAmounts;
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
    public readonly string $recordedAt;

    private readonly PDO $pdo;

    /** @var array<string, PDOStatement> */
    private array $statements = [];

    /** @var array<string, array{int, int}> by account and day what is to be added to ledger and items */
    private array $days = [];

    private ?bool $anyReversals = null;

    /** The transaction holds the lock for writing, so that nobody else counts on. */
    private ?int $lastItemId = null;

    public function __construct(private readonly Actor $actor, private readonly Timelines $timelines = new Timelines())
    {
        $this->recordedAt = Moment::now();
        $this->pdo = DB::connection()->getPdo();
    }

    public function posting(PostingRow $row): int
    {
        $text = $row->text;
        $this->run(
            'INSERT INTO postings (voucher_id, import_file_id, source_row, entry, occurrence, version, date, account_id, base, '.
                'description, document,
                customer, reference, source, batch, currency, currency_amount, recorded_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?,
                    ?, ?, ?, ?, ?)',
            [
                $row->source->voucherId,
                $row->source->importFileId,
                $row->source->row,
                $row->entry,
                $row->occurrence,
                $row->source->version,
                $row->date,
                $row->accountId,
                $row->base,
                $text->description,
                $text->document,
                $text->customer,
                $text->reference,
                $text->source,
                $text->batch,
                $row->original->currency->code ?? '',
                $row->original?->minor,
                $this->recordedAt,
            ],
        );
        $this->addToDay($row->accountId, $row->date, $row->base, 0);

        return $this->lastId();
    }

    /** A later version of an imported posting takes its place. */
    public function supersedePosting(int $id, int $accountId, string $date, int $base): void
    {
        $this->run('UPDATE postings SET superseded_at = ? WHERE id = ?', [$this->recordedAt, $id]);
        $this->addToDay($accountId, $date, -$base, 0);
    }

    public function item(ItemRow $row): int
    {
        $this->lastItemId ??= (int) $this->run('SELECT coalesce(max(id), 0) FROM items', [])->fetchColumn();
        $id = ++$this->lastItemId;
        [$head, $account] = [$row->head, $row->head->account];
        $this->insertItem($id, $row);
        if ($row->links->rootId === null) {
            $this->run('INSERT INTO item_positions (item_id, row_id, control_account_id, customer_id, amount) VALUES (?, ?, ?, ?, ?)', [
                $id,
                $id,
                $account->controlAccountId,
                $account->customerId,
                $row->amount->minor,
            ]);
        } else {
            $this->run('UPDATE item_positions SET row_id = ?, control_account_id = ?, amount = ? WHERE item_id = ?', [
                $id,
                $account->controlAccountId,
                $row->amount->minor,
                $row->links->rootId,
            ]);
            $this->refreshPosition($row->links->rootId);
        }
        $this->addToDay($account->controlAccountId, $head->date, 0, $head->side->signed($row->base)->minor);

        return $id;
    }

    private function insertItem(int $id, ItemRow $row): void
    {
        [$head, $account] = [$row->head, $row->head->account];
        $this->run(
            'INSERT INTO items (id, root_id, version, document, kind, customer_id, occurrence, side, date, due_date, currency, amount, base,
                control_account_id, reference, entry, batch, terms, source_item_id, voucher_id, import_file_id, source_row, recorded_at)
             VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $id,
                $row->links->rootId ?? $id,
                $row->source->version,
                $head->document,
                $head->kind->value,
                $account->customerId,
                $row->occurrence,
                $head->side->value,
                $head->date,
                $head->dueDate,
                $row->amount->currency->code,
                $row->amount->minor,
                $row->base->minor,
                $account->controlAccountId,
                $head->reference,
                $row->entry,
                $row->batch,
                $head->terms,
                $row->links->correctsId,
                $row->source->voucherId,
                $row->source->importFileId,
                $row->source->row,
                $this->recordedAt,
            ],
        );
    }

    /** The place of one more item among those with its document, kind and customer. */
    public function nextOccurrence(string $document, Kind $kind, int $customerId): int
    {
        $sql = 'SELECT max(occurrence) FROM items WHERE document = ? AND kind = ? AND customer_id = ?';

        return 1 + (int) $this->run($sql, [$document, $kind->value, $customerId])->fetchColumn();
    }

    /** A later version of an imported item takes its place; its matches stay with it. */
    public function supersedeItem(int $rowId, int $controlAccountId, string $date, int $signedBase): void
    {
        $this->run('UPDATE items SET superseded_at = ? WHERE id = ?', [$this->recordedAt, $rowId]);
        $this->addToDay($controlAccountId, $date, 0, -$signedBase);
    }

    public function match(string $date, int $debitItemId, int $creditItemId, MatchedAmounts $of, MatchSource $source): int
    {
        $id = $this->matchOnly($date, $debitItemId, $creditItemId, $of, $source);
        $this->move($debitItemId, [new Movement($date, $of->amount->minor, $of->debitBase->minor)]);
        $this->move($creditItemId, [new Movement($date, $of->amount->minor, $of->creditBase->minor)]);

        return $id;
    }

    /** The match by itself; what its items have open is told by move(), of many matches together. */
    public function matchOnly(string $date, int $debitItemId, int $creditItemId, MatchedAmounts $of, MatchSource $source): int
    {
        $this->run(
            'INSERT INTO matches (settlement_id, import_file_id, source_row, date, debit_item_id, credit_item_id, amount, debit_base, '.
                'credit_base, recorded_at)
             VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $source->settlementId,
                $source->importFileId,
                $source->row,
                $date,
                $debitItemId,
                $creditItemId,
                $of->amount->minor,
                $of->debitBase->minor,
                $of->creditBase->minor,
                $this->recordedAt,
            ],
        );

        return $this->lastId();
    }

    /**
     * What matches that were written have moved of an item.
     *
     * @param non-empty-list<Movement> $movements
     */
    public function move(int $itemId, array $movements): void
    {
        $this->anyReversals() ? $this->refreshPosition($itemId) : $this->moveOn($itemId, $movements);
    }

    public function reverseMatch(int $matchId, string $date, string $reason): void
    {
        $this->run('INSERT INTO match_reversals (match_id, date, reason, who, recorded_at) VALUES (?, ?, ?, ?, ?)', [
            $matchId,
            $date,
            $reason,
            $this->actor->who,
            $this->recordedAt,
        ]);
        $this->anyReversals = true;
        $items = $this->run('SELECT debit_item_id, credit_item_id FROM matches WHERE id = ?', [$matchId])->fetch(PDO::FETCH_NUM);
        foreach (is_array($items) ? $items : [] as $itemId) {
            $this->refreshPosition((int) $itemId);
        }
    }

    /** Writes the day sums that have gathered; to be called before the transaction ends. */
    public function flush(): void
    {
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

    /** Works out an item's position anew from its matches and their reversals. */
    private function refreshPosition(int $itemId): void
    {
        [, , , $amount, $base] = $this->position($itemId);
        $this->keepPosition($itemId, $amount, $base, $this->timelines->movements([$itemId])[$itemId] ?? []);
    }

    /**
     * More movements of an item whose matches were never taken back.
     *
     * @param non-empty-list<Movement> $movements
     */
    private function moveOn(int $itemId, array $movements): void
    {
        [$matched, $moved, $last, $amount, $base] = $this->position($itemId);
        $before = $last === '' ? [] : [new Movement($last, $matched, $moved)];
        $this->keepPosition($itemId, $amount, $base, [...$before, ...$movements]);
    }

    /** @param  list<Movement>  $movements all that have moved it */
    private function keepPosition(int $itemId, int $amount, int $base, array $movements): void
    {
        $timeline = new Timeline($movements);
        $this->run('UPDATE item_positions SET matched = ?, moved = ?, last_moved_on = ?, settled_on = ? WHERE item_id = ?', [
            array_sum(array_column($movements, 'amount')),
            array_sum(array_column($movements, 'base')),
            $timeline->lastDay(),
            $timeline->settledInFullOn($amount, $base),
            $itemId,
        ]);
    }

    /** @return array{int, int, string, int, int} matched, moved, last moved on, and the item's amount and base */
    private function position(int $itemId): array
    {
        $row = $this->run(
            'SELECT p.matched, p.moved, p.last_moved_on, i.amount, i.base FROM item_positions p JOIN items i ON i.id = p.row_id WHERE '.
                'p.item_id = ?',
            [$itemId],
        )->fetch(PDO::FETCH_NUM);

        return is_array($row) ? [(int) $row[0], (int) $row[1], (string) $row[2], (int) $row[3], (int) $row[4]] : [0, 0, '', 0, 0];
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
        $statement = $this->statements[$sql] ??= $this->pdo->prepare($sql);
        foreach ($values as $place => $value) {
            $statement->bindValue(
                $place + 1,
                $value,
                is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR),
            );
        }
        $statement->execute();

        return $statement;
    }

    private function lastId(): int
    {
        return (int) $this->pdo->lastInsertId();
    }
}
