<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\Timeline;
use App\Support\Anchor;
use App\Support\AuditTrail;
use App\Support\Books;
use App\Support\KeptFiles;
use App\Support\Seals;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOStatement;

/**
 * Proves that the books hold together: the audit chain, balanced vouchers, open amounts, and everything derived against the posted rows.
 */
final readonly class Verification
{
    private const CHUNK = 400;

    public function __construct(private AuditTrail $audit, private Books $books, private Timelines $timelines) {}

    /** @return list<string> what is wrong; empty when nothing is */
    public function faults(): array
    {
        $schema = $this->schema();

        $others = array_filter($schema, static fn (string $fault): bool => str_starts_with($fault, 'The table'));

        if ($others !== []) {
            return $schema; // what the rest asks may be missing
        }
        $seals = Seals::faults();

        return [
            ...$schema,
            ...$this->chain(),
            ...$seals,
            ...Anchor::faults(),
            ...$this->vouchers(),
            ...$this->days(),
            ...($seals === [] ? $this->positions() : []), // else what they are worked out from may be unreadable
            ...$this->sources(),
        ];
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
        $statement = DB::connection()
            ->getPdo()
            ->query(
                'SELECT i.root_id, i.document, i.id, i.control_account_id, i.customer_id, i.amount, i.base, p.row_id, '
                    .'p.control_account_id, p.customer_id, p.amount, p.matched, p.moved, p.last_moved_on, p.settled_on
                 FROM items i LEFT JOIN item_positions p ON p.item_id = i.root_id WHERE i.superseded_at IS NULL ORDER BY i.root_id',
            );
        $faults = [];
        while ($statement !== false && ($rows = self::some($statement)) !== []) {
            $timelines = $this->timelines->of(array_map(static fn (array $row): int => (int) $row[0], $rows));
            foreach ($rows as $row) {
                $timeline = $timelines[(int) $row[0]] ?? new Timeline([]);
                $at = $timeline->at('9999-12-31');
                [$amount, $base] = [(int) $row[5], (int) $row[6]];
                $settled = $timeline->settledInFullOn($amount, $base);
                $should = [$row[2], $row[3], $row[4], $row[5], $at->matched, $at->moved, $timeline->lastDay(), $settled];
                if (array_map(strval(...), $should) !== array_map(strval(...), array_slice($row, 7)) || $at->matched > $amount) {
                    $faults[] = "The position of {$row[1]} is not what its matches make it: {$at->matched} matched and {$at->moved} moved.";
                }
            }
        }

        return $faults;
    }

    /** @return list<list<int|string|null>> the next rows */
    private static function some(PDOStatement $statement): array
    {
        $rows = [];
        while (count($rows) < self::CHUNK && is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
            $rows[] = $row;
        }

        /** @var list<list<int|string|null>> $rows */
        return $rows;
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
