<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Files\SourceFile;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/**
 * Corrects a row that was refused and takes it in, or closes it. The source file stays as it came; what was corrected is a file of its own.
 */
final readonly class RowsSetAside
{
    public function __construct(private ImportFiles $import, private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param array<array-key, string> $cells by column, in the way of writing of the file
     * @return int the import
     *
     * @throws Refusal when nothing was corrected, or the row is still refused
     */
    public function correct(string $key, RowSetAside $row, array $cells): int
    {
        $mapping = $row->mapping
            ?? throw new Refusal('This row belongs to no list, so that it cannot be corrected here. Hand in the file again.');
        $changed = self::changes($row, $cells);
        if ($changed === []) {
            $why = "{$row->row->field} “{$row->row->value}”: {$row->row->expected}";
            throw new Refusal("Nothing was corrected yet. It was refused for {$why}.");
        }

        return (int) Once::for($key, function () use ($row, $mapping, $changed): int {
            $corrected = array_map(static fn (array $of): string => $of[1], $changed);
            $report = $this->takeIn($row, $mapping, array_replace($row->cells, $corrected));
            if ($report->importId === null) {
                $fault = $report->refused[0] ?? $report->late[0] ?? null;
                throw new Refusal($fault === null
                    ? 'The books have this row already, as you corrected it. Close it with that reason.'
                    : "The row is still refused: {$fault->field} “{$fault->value}”: {$fault->expected}.");
            }
            $says = array_map(static fn (array $of): string => "{$of[2]} “{$of[0]}” is “{$of[1]}”", $changed);
            $why = 'corrected: '.implode(', ', $says)." (import {$report->importId})";
            $this->closeFor((int) $row->row->id, $why, 'correct row set aside');

            return $report->importId;
        });
    }

    /** @throws Refusal when no reason is given */
    public function close(int $row, string $reason): void
    {
        $why = Reason::of($reason, 'A row that was set aside is closed with a reason.');
        Once::for("close-row-{$row}", function () use ($row, $why): int {
            $this->closeFor($row, $why, 'close row set aside');

            return $row;
        });
    }

    private function closeFor(int $row, string $why, string $what): void
    {
        DB::table('rows_closed')->insert(['row_id' => $row, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
        $this->audit->record($what, "row {$row}", $why);
    }

    /**
     * @param array<array-key, string> $cells
     * @return array<int, array{string, string, string}> by column that was changed: before, after, and what it means
     */
    private static function changes(RowSetAside $row, array $cells): array
    {
        $changed = [];
        foreach ($row->fields() as $column => [$means, , $before]) {
            $after = trim($cells[$column] ?? $before);
            if ($after !== trim($before)) {
                $changed[$column] = [$before, $after, $means];
            }
        }

        return $changed;
    }

    /** @param  array<int, string>  $cells */
    private function takeIn(RowSetAside $row, Mapping $mapping, array $cells): ImportReport
    {
        $name = pathinfo($row->row->name, PATHINFO_FILENAME)."-row-{$row->row->row}.csv";
        $lines = [$row->headings, array_values(array_pad($cells, count($row->headings), ''))];
        $read = Mapping::fromArray([...$mapping->toArray(), 'header_row' => 1]);
        $take = fn (SourceFile $file): ImportReport => $this->import->post(
            [$file],
            RefusedRows::RefuseAll,
            "row {$row->row->row} of {$row->row->name}, corrected",
        );

        return SourceFile::ofLines($name, $lines, $mapping->kind, $read, $take);
    }
}
