<?php

declare(strict_types=1);

namespace App\Queries;

use App\Support\AuditTrail;
use App\Support\Books;
use App\Support\KeptFiles;
use Illuminate\Support\Facades\DB;

/**
 * Proves that the books hold together: the audit chain, balanced vouchers, open amounts, and everything derived against the posted rows.
 */
final readonly class Verification
{
    public function __construct(private AuditTrail $audit, private Books $books) {}

    /** @return list<string> what is wrong; empty when nothing is */
    public function faults(): array
    {
        $schema = $this->schema();

        $others = array_filter($schema, static fn (string $fault): bool => str_starts_with($fault, 'The table'));

        // Where tables are others, what the rest asks may be missing.
        return $others !== []
            ? $schema
            : [...$schema, ...$this->chain(), ...$this->vouchers(), ...$this->days(), ...$this->positions(), ...$this->sources()];
    }

    /** @return list<string> */
    private function schema(): array
    {
        [$expected, $actual] = [$this->books->expectedSchema(), Books::schema()];
        $faults = array_map(static fn (string $of): string => "The {$of} is missing.", array_keys(array_diff_key($expected, $actual)));
        foreach (array_intersect_key($actual, $expected) as $of => $sql) {
            if ($sql !== $expected[$of]) {
                $faults[] = "The {$of} is not as this version makes it.";
            }
        }
        foreach (array_keys(array_diff_key($actual, $expected)) as $of) {
            $faults[] = "The {$of} is none of this version’s.";
        }

        return $faults;
    }

    /** @return list<string> */
    private function chain(): array
    {
        $broken = $this->audit->firstBroken();

        return $broken === null ? [] : ["The audit trail is broken at record {$broken->id} of {$broken->recorded_at} ({$broken->what})."];
    }

    /** @return list<string> */
    private function vouchers(): array
    {
        $faults = [];
        foreach (
            DB::select(
                'SELECT v.number, count(p.id) AS lines, coalesce(sum(p.base), 0) AS sum FROM vouchers v LEFT JOIN postings p ON '.
                    'p.voucher_id = v.id GROUP BY v.id HAVING lines < 2 OR sum <> 0',
            ) as $row
        ) {
            $faults[] = "Voucher {$row->number} does not balance: {$row->lines} lines, {$row->sum} minor units left.";
        }
        foreach (DB::select('PRAGMA foreign_key_check') as $row) {
            $faults[] = "A row of {$row->table} names a row of {$row->parent} that does not exist.";
        }

        return $faults;
    }

    /** @return list<string> */
    private function days(): array
    {
        $rows = DB::select(
            "SELECT account_id, date, sum(ledger) AS ledger, sum(items) AS items FROM (
                SELECT account_id, date, ledger, items FROM control_days
                UNION ALL SELECT account_id, date, -base, 0 FROM postings WHERE superseded_at IS NULL
                UNION ALL SELECT control_account_id, date, 0, CASE side WHEN 'debit' THEN -base ELSE base END FROM items
                    WHERE superseded_at IS NULL
             ) GROUP BY account_id, date HAVING sum(ledger) <> 0 OR sum(items) <> 0",
        );

        return array_values(
            array_map(
                static fn (
                    \stdClass $row,
                ): string => "The day sums of account key {$row->account_id} on {$row->date} are off by {$row->ledger} in the ledger ".
                    "and {$row->items} with the customers.",
                $rows,
            ),
        );
    }

    /** @return list<string> */
    private function positions(): array
    {
        $rows = DB::select(
            'SELECT p.item_id, i.document, p.matched, p.moved, coalesce(sum(m.amount), 0) AS amount, coalesce(sum(m.base), 0) AS base
             FROM item_positions p JOIN items i ON i.id = p.row_id
             LEFT JOIN (SELECT debit_item_id AS item, amount, debit_base AS base, id FROM matches
                 UNION ALL SELECT credit_item_id, amount, credit_base, id FROM matches) m
               ON m.item = p.item_id AND NOT EXISTS (SELECT 1 FROM match_reversals r WHERE r.match_id = m.id)
             GROUP BY p.item_id HAVING p.matched <> coalesce(sum(m.amount), 0) OR p.moved <> coalesce(sum(m.base), 0)
                 OR p.matched > i.amount
               OR p.row_id <> (SELECT max(v.id) FROM items v WHERE v.root_id = p.item_id AND v.superseded_at IS NULL)',
        );

        return array_values(
            array_map(
                static fn (
                    \stdClass $row,
                ): string => "The position of {$row->document} says {$row->matched} matched and {$row->moved} moved, its ".
                    "matches {$row->amount} and {$row->base}.",
                $rows,
            ),
        );
    }

    /** @return list<string> */
    private function sources(): array
    {
        $faults = [];
        foreach (
            DB::table('import_files')
                ->distinct()
                ->get(['sha256', 'name']) as $file
        ) {
            if (! KeptFiles::isWhole($file->sha256)) {
                $faults[] = "The source file {$file->name} is not kept as it was imported.";
            }
        }
        foreach (
            DB::table('notes')
                ->where('file_sha256', '<>', '')
                ->get(['id', 'file_name', 'file_sha256']) as $note
        ) {
            if (! KeptFiles::isWhole($note->file_sha256)) {
                $faults[] = "The file {$note->file_name} of note {$note->id} is not kept as it was attached.";
            }
        }

        return $faults;
    }
}
