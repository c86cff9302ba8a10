<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proof\Agreed;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\HandPairs;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use Ajuste\Core\Proof\ProofSource;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Kind;
use Generator;
use Illuminate\Support\Facades\DB;
use PDO;
use stdClass;

/** The lines of one control account, streamed for its proof. */
final readonly class ProofLines implements ProofSource
{
    /** @param  ?string  $knownAt only what was recorded by that moment; null for all that is known now */
    private function __construct(private int $accountId, private ?string $knownAt, private ?stdClass $signed, private Agreed $agreed) {}

    /** All lines of the account from its beginning. */
    public static function all(int $accountId, ?string $knownAt = null): self
    {
        return new self($accountId, $knownAt, null, new Agreed());
    }

    /**
     * What agreed when the latest period on or before the day was signed stays as it was; read are the lines that were left open then,
     * those that came or are dated later, and all lines of a document that one of them bears. So a proof costs by its period and not by
     * the years before.
     */
    public static function since(int $accountId, string $asOf): self
    {
        $signed = SignedProofs::before($accountId, $asOf);
        if ($signed === null) {
            return self::all($accountId);
        }
        self::choose($accountId, $signed);
        $total = DB::selectOne(
            'SELECT coalesce(sum(ledger), 0) AS ledger, coalesce(sum(items), 0) AS items FROM control_days WHERE account_id = ?',
            [$accountId],
        );
        $read = DB::selectOne(
            'SELECT (SELECT coalesce(sum(base), 0) FROM read_postings CROSS JOIN postings USING (id)) AS ledger, (SELECT '.
                "coalesce(sum(CASE side WHEN 'debit' THEN base ELSE -base END), 0) FROM read_items CROSS JOIN items USING (id)) AS items,
                    (SELECT count(*) FROM read_postings CROSS JOIN postings USING (id) WHERE id <= :p AND date <= :t) AS postings,
                        (SELECT count(*) FROM read_items CROSS JOIN items USING (id) WHERE id <= :i AND date <= :t) AS item_count",
            ['p' => $signed->last_posting, 'i' => $signed->last_item, 't' => $signed->through],
        );
        $balance = (int) $total->ledger - (int) $read->ledger;

        return $balance === (int) $total->items - (int) $read->items
            ? new self(
                $accountId,
                null,
                $signed,
                new Agreed($signed->through, $balance, $signed->postings - $read->postings, $signed->items - $read->item_count),
            )
            : self::all($accountId); // what was signed does not stand any more
    }

    /** Only the lines that were added after these rows. */
    public static function after(int $accountId, int $lastPosting, int $lastItem): self
    {
        self::makeRoom();
        // The plus keeps SQLite from the account's index: what was added last is found by its number.
        $unless = 'superseded_at IS NULL AND id > ?';
        DB::statement("INSERT INTO read_postings SELECT id FROM postings WHERE +account_id = ? AND {$unless}", [$accountId, $lastPosting]);
        DB::statement("INSERT INTO read_items SELECT id FROM items WHERE +control_account_id = ? AND {$unless}", [$accountId, $lastItem]);

        return new self($accountId, null, (object) ['items_name_entries' => self::all($accountId)->itemsNameEntries()], new Agreed());
    }

    public function agreed(): Agreed
    {
        return $this->agreed;
    }

    public function documents(): Generator
    {
        $document = [];
        $standing = '';
        foreach ($this->rows() as [$name, $line]) {
            if ($document !== [] && ($name !== $standing || $name === '')) {
                yield $document;
                $document = [];
            }
            $standing = $name;
            $document[] = $line;
        }
        if ($document !== []) {
            yield $document;
        }
    }

    /** @return Generator<int, array{string, ProofLine}> each line with the document that it goes with, sorted by that */
    private function rows(): Generator
    {
        $statement = DB::connection()->getPdo()->prepare($this->sql());
        $statement->execute([
            ...$this->signed === null ? ['a' => $this->accountId] : [],
            ...$this->knownAt === null ? [] : ['k' => $this->knownAt],
        ]);
        $customers = $this->customers();
        while (($row = $statement->fetch(PDO::FETCH_NUM)) !== false) {
            yield [$row[12], $row[0] === 0 ? self::posting($row) : self::item($row, (string) $customers[$row[5]])];
        }
    }

    /** Postings and items in one stream, each with the document that it goes with. */
    private function sql(): string
    {
        $known =
            $this->knownAt === null ? 'superseded_at IS NULL' : '(recorded_at <= :k AND (superseded_at IS NULL OR superseded_at > :k))';
        [$postings, $items] =
            $this->signed === null
                ? ["postings WHERE account_id = :a AND {$known}", "items WHERE control_account_id = :a AND {$known}"]
                : ['read_postings CROSS JOIN postings USING (id)', 'read_items CROSS JOIN items USING (id)'];

        $and = $this->signed === null ? ' AND' : ' WHERE';

        return "WITH naming AS (SELECT entry, min(document) AS document FROM {$items}{$and} entry <> '' GROUP BY entry HAVING count(*) = 1),
             corrections AS MATERIALIZED ({$this->corrections("{$items}{$and}")})
             SELECT 0, id, date, base, document, customer, entry, batch, {$this->sourceOrCorrection()}, description,
                    voucher_id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = postings.voucher_id".
            ($this->knownAt === null ? '' : ' AND c.recorded_at <= :k').
            "),
                    (SELECT r.number FROM vouchers v JOIN vouchers r ON r.id = v.reverses_id WHERE v.id = postings.voucher_id),
                    CASE WHEN document = '' THEN coalesce((SELECT document FROM naming WHERE naming.entry = postings.entry), '') ELSE ".
            "document END
             FROM {$postings}
             UNION ALL
             SELECT 1, root_id, date, CASE side WHEN 'debit' THEN base ELSE -base END, document, customer_id, entry, batch,
                    {$this->kindOrCorrection()}, '', 0,
                    (SELECT r.number FROM vouchers v JOIN vouchers r ON r.id = v.reverses_id WHERE v.id = items.voucher_id), document
             FROM {$items}
             ORDER BY 13";
    }

    /** A voucher that only corrects belongs to no match and no run, and brought no item. */
    private function sourceOrCorrection(): string
    {
        [$opening, $other] = [ProofLine::OPENING_CORRECTION, ProofLine::CORRECTION];

        return "CASE WHEN voucher_id IS NOT NULL AND EXISTS (SELECT 1 FROM vouchers v WHERE v.id = postings.voucher_id
            AND v.settlement_id IS NULL AND v.run_id IS NULL)
            AND NOT EXISTS (SELECT 1 FROM items i WHERE i.voucher_id = postings.voucher_id)
            THEN CASE source WHEN 'opening' THEN '{$opening}' ELSE '{$other}' END ELSE source END";
    }

    /** An entry that only corrects leaves the control account as it was. */
    private function kindOrCorrection(): string
    {
        $correction = ProofLine::CORRECTION;

        return "CASE WHEN kind = 'adjustment' AND voucher_id IN (SELECT voucher_id FROM corrections) THEN '{$correction}' ELSE kind END";
    }

    /**
     * Vouchers of adjustments that leave the control account as it was, each looked at once: that of a run has thousands of lines.
     *
     * @param string $items from where items are read, as SQL that goes on with a condition
     */
    private function corrections(string $items): string
    {
        return "SELECT a.voucher_id FROM (SELECT DISTINCT voucher_id FROM {$items} kind = 'adjustment' AND voucher_id IS NOT NULL) a
            CROSS JOIN postings p INDEXED BY postings_voucher ON p.voucher_id = a.voucher_id
            WHERE p.account_id = {$this->accountId} GROUP BY a.voucher_id HAVING sum(p.base) = 0";
    }

    /** @param  list<mixed>  $row */
    private static function posting(array $row): ProofLine
    {
        [, $id, $date, $amount, $document, $customer, $entry, $batch, $source, $text, $own, $reverses] = $row;

        return new ProofLine(
            Book::Ledger,
            $id,
            $date,
            $amount,
            new ProofNames($document, $customer, $entry, $batch, (string) $reverses),
            $source,
            $text,
            (bool) $own,
        );
    }

    /** @param  list<mixed>  $row */
    private static function item(array $row, string $customer): ProofLine
    {
        [, $id, $date, $amount, $document, , $entry, $batch, $kind, , , $reverses] = $row;

        return new ProofLine(
            Book::Subledger,
            $id,
            $date,
            $amount,
            new ProofNames($document, $customer, $entry, $batch, (string) $reverses),
            $kind,
        );
    }

    /** @return array<int, string> number by id, of the customers whose items are read */
    private function customers(): array
    {
        $read = 'id IN (SELECT customer_id FROM read_items CROSS JOIN items USING (id))';

        return DB::table('customers')
            ->when($this->signed !== null, static fn ($query) => $query->whereRaw($read))
            ->pluck('customer', 'id')
            ->all();
    }

    public function handPairs(): HandPairs
    {
        $rows = DB::table('hand_pairs as h')
            ->join('hand_pair_lines as l', 'l.hand_pair_id', '=', 'h.id')
            ->where('h.account_id', $this->accountId)
            ->whereNotIn('h.id', DB::table('hand_pairs_withdrawn')->select('hand_pair_id'))
            ->when($this->knownAt !== null, fn ($query) => $query->where('h.recorded_at', '<=', $this->knownAt))
            ->leftJoin(
                'postings as p',
                static fn ($join) => $join
                    ->on('p.entry', '=', 'l.entry')
                    ->on('p.account_id', '=', 'h.account_id')
                    ->on('p.occurrence', '=', 'l.occurrence')
                    ->whereNull('p.superseded_at'),
            )
            ->orderBy('h.id')
            ->get(['h.id', 'h.together', 'l.item_id', 'p.id as posting_id']);
        $pairOf = $apart = [];
        foreach ($rows as $row) {
            $name = $row->item_id !== null ? "subledger {$row->item_id}" : "ledger {$row->posting_id}";
            if ($row->together) {
                $pairOf[$name] = $row->id;
                unset($apart[$name]);
            } else {
                $apart[$name] = true;
                unset($pairOf[$name]);
            }
        }

        return new HandPairs($pairOf, $apart);
    }

    public function itemsNameEntries(): bool
    {
        return (bool) $this->signed?->items_name_entries ||
            DB::table('items')
                ->where('control_account_id', $this->accountId)
                ->whereNotNull('import_file_id')
                ->whereRaw("entry <> ''") // said out, so that the index of such items is found
                ->when($this->signed !== null, static fn ($query) => $query->whereRaw('id IN (SELECT id FROM read_items)'))
                ->exists();
    }

    public function elsewhere(array $items): Generator
    {
        foreach (array_chunk($items, 400) as $some) {
            $named = static fn (callable $of): array => array_values(
                array_filter(array_unique(array_map($of, $some)), static fn (string $name): bool => $name !== ''),
            );
            $rows = DB::table('postings')
                ->join('accounts', 'accounts.id', '=', 'postings.account_id')
                ->where('account_id', '<>', $this->accountId)
                ->whereNull('superseded_at')
                ->whereNull('voucher_id')
                ->where(
                    static fn ($query) => $query
                        ->whereIn('document', $named(static fn (ProofLine $item): string => $item->document))
                        ->where('document', '<>', '')
                        ->orWhereIn('entry', $named(static fn (ProofLine $item): string => $item->entry)),
                )
                // A document that has an item on that account belongs there.
                ->whereNotExists(
                    static fn ($query) => $query
                        ->from('items')
                        ->whereColumn('items.control_account_id', 'postings.account_id')
                        ->whereColumn('items.document', 'postings.document')
                        ->where('postings.document', '<>', '')
                        ->whereNull('items.superseded_at'),
                )
                ->orderBy('postings.id')
                ->get(['postings.*', 'accounts.account as number', 'accounts.name as account_name']);
            foreach ($rows as $row) {
                yield [
                    "{$row->number} {$row->account_name}",
                    new ProofLine(
                        Book::Ledger,
                        $row->id,
                        $row->date,
                        $row->base,
                        new ProofNames($row->document, $row->customer, $row->entry, $row->batch),
                        $row->source,
                        $row->description,
                    ),
                ];
            }
        }
    }

    public function tax(array $itemIds): array
    {
        $tax = [];
        foreach (array_chunk($itemIds, 500) as $some) {
            $rows = DB::table('items')
                ->join('item_lines', 'item_lines.document', '=', 'items.document')
                ->whereIn('items.root_id', $some)
                ->whereNull('items.superseded_at')
                ->whereIn('kind', Kind::salesDocuments())
                ->groupBy('items.root_id', 'items.amount')
                ->selectRaw('items.root_id, items.amount, sum(net) AS net')
                ->get();
            foreach ($rows as $row) {
                $tax[(int) $row->root_id] = TaxRelief::inDocument((int) $row->amount, (int) $row->net);
            }
        }

        return $tax;
    }

    /** Two tables of this connection for the lines to read, and one for their documents. */
    private static function makeRoom(): void
    {
        DB::unprepared(
            'DROP TABLE IF EXISTS temp.read_postings; DROP TABLE IF EXISTS temp.read_items; DROP TABLE IF EXISTS '.
                'temp.read_documents;
            CREATE TEMP TABLE read_postings (id INTEGER PRIMARY KEY); CREATE TEMP TABLE read_items (id INTEGER PRIMARY KEY);
                CREATE TEMP TABLE read_documents (document TEXT PRIMARY KEY) WITHOUT ROWID',
        );
    }

    /** The lines to read on top of a signed proof. */
    private static function choose(int $accountId, stdClass $signed): void
    {
        self::makeRoom();
        // Later rows; later days; lines left open; vouchers that the ledger has not taken over; lines of which a person has said something.
        DB::statement(
            'INSERT INTO read_postings SELECT l.id FROM (
                SELECT id FROM postings WHERE id > :p
                UNION SELECT id FROM postings WHERE account_id = :a AND date > :t
                UNION SELECT posting_id FROM signed_proof_open WHERE signed_proof_id = :s
                UNION SELECT p.id FROM vouchers v CROSS JOIN postings p INDEXED BY postings_voucher ON p.voucher_id = v.id
                    WHERE NOT EXISTS (SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = v.id)
                UNION SELECT p.id FROM hand_pair_lines l JOIN postings p ON p.entry = l.entry AND p.account_id = :a
                    AND p.occurrence = l.occurrence) chosen CROSS JOIN postings l ON l.id = chosen.id WHERE l.account_id = :a
                    AND l.superseded_at IS NULL',
            ['a' => $accountId, 'p' => $signed->last_posting, 't' => $signed->through, 's' => $signed->id],
        );
        DB::statement(
            'INSERT INTO read_items SELECT l.id FROM (
                SELECT id FROM items WHERE id > :i
                UNION SELECT id FROM items WHERE control_account_id = :a AND date > :t
                UNION SELECT i.id FROM signed_proof_open o JOIN items i ON i.root_id = o.item_id WHERE o.signed_proof_id = :s
                UNION SELECT i.id FROM vouchers v CROSS JOIN items i INDEXED BY items_voucher ON i.voucher_id = v.id
                    WHERE NOT EXISTS (SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = v.id)
                UNION SELECT i.id FROM hand_pair_lines l JOIN items i ON i.root_id = l.item_id) chosen CROSS
                    JOIN items l ON l.id = chosen.id WHERE l.control_account_id = :a AND l.superseded_at IS NULL',
            ['a' => $accountId, 'i' => $signed->last_item, 't' => $signed->through, 's' => $signed->id],
        );
        DB::unprepared(
            "INSERT INTO read_documents SELECT document FROM read_postings CROSS JOIN postings USING (id) WHERE document <> '' UNION ".
                "SELECT document FROM read_items CROSS JOIN items USING (id) WHERE document <> ''",
        );
        DB::statement(
            'INSERT OR IGNORE INTO read_postings SELECT p.id FROM read_documents d CROSS JOIN postings p INDEXED BY '.
                'postings_account_document ON p.account_id = ? AND p.document = d.document WHERE p.superseded_at IS NULL',
            [$accountId],
        );
        DB::statement(
            'INSERT OR IGNORE INTO read_items SELECT i.id FROM read_documents d CROSS JOIN items i INDEXED BY items_account_document ON '.
                'i.control_account_id = ? AND i.document = d.document WHERE i.superseded_at IS NULL',
            [$accountId],
        );
    }
}
