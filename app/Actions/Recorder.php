<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Movement;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\Timeline;
use App\Support\Actor;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOStatement;

/**
 * Writes posted rows and keeps what is derived from them in step. Every posting of Ajuste goes through here, inside a transaction
 * of the action that decided it.
 */
final class Recorder
{
    public readonly string $recordedAt;

    /** @var array<string, PDOStatement> */
    private array $statements = [];

    /** @var array<string, array{int, int}> by account and day what is to be added to ledger and items */
    private array $days = [];

    private ?bool $anyReversals = null;

    /** The transaction holds the lock for writing, so that nobody else counts on. */
    private ?int $lastItemId = null;

    public function __construct(private readonly Actor $actor)
    {
        $this->recordedAt = Moment::now();
    }

    public function posting(
        string $entry, int $occurrence, string $date, int $accountId, int $base, string $description, string $document, string $customer,
        string $reference = '', string $source = '', string $batch = '', string $currency = '', ?int $currencyAmount = null,
        ?int $voucherId = null, ?int $importFileId = null, ?int $sourceRow = null, int $version = 1,
    ): int {
        $this->run(
            'INSERT INTO postings (voucher_id, import_file_id, source_row, entry, occurrence, version, date, account_id, base, description, document, customer, reference, source, batch, currency, currency_amount, recorded_at)
             VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $voucherId, $importFileId, $sourceRow, $entry, $occurrence, $version, $date, $accountId, $base, $description, $document, $customer,
                $reference, $source, $batch, $currency, $currencyAmount, $this->recordedAt,
            ],
        );
        $this->addToDay($accountId, $date, $base, 0);

        return $this->lastId();
    }

    /** A later version of an imported posting takes its place. */
    public function supersedePosting(int $id, int $accountId, string $date, int $base): void
    {
        $this->run('UPDATE postings SET superseded_at = ? WHERE id = ?', [$this->recordedAt, $id]);
        $this->addToDay($accountId, $date, -$base, 0);
    }

    public function item(
        string $document, Kind $kind, int $customerId, int $occurrence, Side $side, string $date, string $dueDate, string $currency,
        int $amount, int $base, int $controlAccountId, string $reference = '', string $entry = '', string $batch = '', string $terms = '',
        ?int $sourceItemId = null, ?int $voucherId = null, ?int $importFileId = null, ?int $sourceRow = null,
        int $version = 1, ?int $rootId = null,
    ): int {
        $this->lastItemId ??= (int) $this->run('SELECT coalesce(max(id), 0) FROM items', [])->fetchColumn();
        $id = ++$this->lastItemId;
        $this->run(
            'INSERT INTO items (id, root_id, version, document, kind, customer_id, occurrence, side, date, due_date, currency, amount, base, control_account_id, reference, entry, batch, terms, source_item_id, voucher_id, import_file_id, source_row, recorded_at)
             VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $id, $rootId ?? $id, $version, $document, $kind->value, $customerId, $occurrence, $side->value, $date, $dueDate, $currency, $amount,
                $base, $controlAccountId, $reference, $entry, $batch, $terms, $sourceItemId, $voucherId, $importFileId, $sourceRow, $this->recordedAt,
            ],
        );
        if ($rootId === null) {
            $this->run('INSERT INTO item_positions (item_id, row_id, control_account_id, customer_id, amount) VALUES (?, ?, ?, ?, ?)', [$id, $id, $controlAccountId, $customerId, $amount]);
        } else {
            $this->run('UPDATE item_positions SET row_id = ?, control_account_id = ?, amount = ? WHERE item_id = ?', [$id, $controlAccountId, $amount, $rootId]);
            $this->refreshPosition($rootId);
        }
        $this->addToDay($controlAccountId, $date, 0, $side->sign() * $base);

        return $id;
    }

    /** The place of one more item among those with its document, kind and customer. */
    public function nextOccurrence(string $document, Kind $kind, int $customerId): int
    {
        return 1 + (int) $this->run('SELECT max(occurrence) FROM items WHERE document = ? AND kind = ? AND customer_id = ?', [$document, $kind->value, $customerId])->fetchColumn();
    }

    /** A later version of an imported item takes its place; its matches stay with it. */
    public function supersedeItem(int $rowId, int $controlAccountId, string $date, int $signedBase): void
    {
        $this->run('UPDATE items SET superseded_at = ? WHERE id = ?', [$this->recordedAt, $rowId]);
        $this->addToDay($controlAccountId, $date, 0, -$signedBase);
    }

    public function match(string $date, int $debitItemId, int $creditItemId, int $amount, int $debitBase, int $creditBase, ?int $settlementId = null, ?int $importFileId = null, ?int $sourceRow = null): int
    {
        $this->run(
            'INSERT INTO matches (settlement_id, import_file_id, source_row, date, debit_item_id, credit_item_id, amount, debit_base, credit_base, recorded_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [$settlementId, $importFileId, $sourceRow, $date, $debitItemId, $creditItemId, $amount, $debitBase, $creditBase, $this->recordedAt],
        );
        $id = $this->lastId();
        foreach ([[$debitItemId, $debitBase], [$creditItemId, $creditBase]] as [$itemId, $base]) {
            if ($this->anyReversals()) {
                $this->refreshPosition($itemId);
            } else {
                $this->run(
                    'UPDATE item_positions SET matched = matched + ?, moved = moved + ?, last_moved_on = max(last_moved_on, ?),
                        settled_on = CASE WHEN amount > 0 AND matched + ? = amount THEN max(last_moved_on, ?)
                            WHEN amount = 0 AND moved + ? = (SELECT base FROM items WHERE id = row_id) THEN max(last_moved_on, ?) END WHERE item_id = ?',
                    [$amount, $base, $date, $amount, $date, $base, $date, $itemId],
                );
            }
        }

        return $id;
    }

    public function reverseMatch(int $matchId, string $date, string $reason): void
    {
        $this->run('INSERT INTO match_reversals (match_id, date, reason, who, recorded_at) VALUES (?, ?, ?, ?, ?)', [$matchId, $date, $reason, $this->actor->who, $this->recordedAt]);
        $this->anyReversals = true;
        $items = $this->run('SELECT debit_item_id, credit_item_id FROM matches WHERE id = ?', [$matchId])->fetch(PDO::FETCH_NUM);
        foreach (is_array($items) ? $items : [] as $itemId) {
            $this->refreshPosition((int) $itemId);
        }
    }

    /** Writes a voucher: its lines first, then itself, so that the database sees that it balances. */
    public function voucher(Voucher $voucher, ?int $runId = null, ?int $settlementId = null, ?int $reversesId = null): PostedVoucher
    {
        $id = (int) $this->run('SELECT coalesce(max(id), 0) + 1 FROM vouchers', [])->fetchColumn();
        $number = sprintf('AJ-%05d', $id);
        $places = [];
        foreach ($voucher->lines as $line) {
            $places[$line->account->id] = ($places[$line->account->id] ?? 0) + 1;
            $this->posting(
                entry: $number, occurrence: $places[$line->account->id], date: $voucher->date, accountId: $line->account->id, base: $line->base->minor,
                description: $line->description, document: $line->document, customer: $line->customer, reference: $line->reference, source: 'ajuste',
                currency: $line->original?->currency->code ?? '', currencyAmount: $line->original?->minor, voucherId: $id,
            );
        }
        $this->run(
            'INSERT INTO vouchers (id, number, date, text, run_id, settlement_id, reverses_id, who, recorded_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [$id, $number, $voucher->date, $voucher->text, $runId, $settlementId, $reversesId, $this->actor->who, $this->recordedAt],
        );

        return new PostedVoucher($id, $number);
    }

    /** Works out an item's position anew from its matches and their reversals. */
    public function refreshPosition(int $itemId): void
    {
        $movements = [];
        $matched = $moved = 0;
        $last = '';
        foreach ($this->movements($itemId) as $movement) {
            $movements[] = $movement;
            $matched += $movement->amount;
            $moved += $movement->base;
            $last = max($last, $movement->day);
        }
        $row = $this->run('SELECT i.amount, i.base FROM item_positions p JOIN items i ON i.id = p.row_id WHERE p.item_id = ?', [$itemId])->fetch(PDO::FETCH_NUM);
        [$amount, $base] = is_array($row) ? [(int) $row[0], (int) $row[1]] : [0, 0];
        // An exchange difference has no amount of its own; it is used up when its base is.
        $timeline = new Timeline($amount > 0 ? $movements : array_map(static fn (Movement $m): Movement => new Movement($m->day, $m->base, 0), $movements));
        $this->run('UPDATE item_positions SET matched = ?, moved = ?, last_moved_on = ?, settled_on = ? WHERE item_id = ?', [$matched, $moved, $last, $timeline->settledOn($amount > 0 ? $amount : $base), $itemId]);
    }

    /** @return list<Movement> */
    public function movements(int $itemId): array
    {
        $rows = $this->run(
            'SELECT m.date, m.amount, CASE WHEN m.debit_item_id = ? THEN m.debit_base ELSE m.credit_base END, r.date
             FROM matches m LEFT JOIN match_reversals r ON r.match_id = m.id WHERE m.debit_item_id = ? OR m.credit_item_id = ? ORDER BY m.id',
            [$itemId, $itemId, $itemId],
        )->fetchAll(PDO::FETCH_NUM);
        $movements = [];
        foreach ($rows as [$day, $amount, $base, $reversed]) {
            $movements[] = new Movement((string) $day, (int) $amount, (int) $base);
            if ($reversed !== null) {
                $movements[] = new Movement((string) $reversed, -(int) $amount, -(int) $base);
            }
        }

        return $movements;
    }

    /** Writes the day sums that have gathered; each action calls it before its transaction ends. */
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
        $statement = $this->statements[$sql] ??= DB::connection()->getPdo()->prepare($sql);
        foreach ($values as $place => $value) {
            $statement->bindValue($place + 1, $value, is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR));
        }
        $statement->execute();

        return $statement;
    }

    private function lastId(): int
    {
        return (int) DB::connection()->getPdo()->lastInsertId();
    }
}
