<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunLine;
use App\Models\Run;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Runs that were posted, and whether they stand. */
final class Runs
{
    /** So many runs are shown, and looked at for what has changed since. */
    private const LATEST = 20;

    /** @return list<Run> the latest first */
    public function latest(RunKind $kind, int $accountId): array
    {
        return array_values(
            Run::query()
                ->where(['kind' => $kind->value, 'account_id' => $accountId])
                ->orderByDesc('id')
                ->limit(self::LATEST)
                ->get()
                ->all(),
        );
    }

    /** How many lines a run took. */
    public function lines(int $runId): int
    {
        return DB::table('run_lines')->where('run_id', $runId)->count();
    }

    /** @return array<int, stdClass> reason, who and recorded_at, by run */
    public function reversals(): array
    {
        return DB::table('run_reversals')->get()->keyBy('run_id')->all();
    }

    public function reversal(int $runId): ?stdClass
    {
        return $this->reversals()[$runId] ?? null;
    }

    /** @return array<int, int> how many settlements each run posted */
    public function settlements(): array
    {
        return array_map(
            intval(...),
            DB::table('run_settlements')->groupBy('run_id')->selectRaw('run_id, count(*) AS n')->pluck('n', 'run_id')->all(),
        );
    }

    /**
     * Runs that stand and of whose items something was changed from elsewhere that counts on the run's day or before (R13).
     *
     * @return array<int, list<string>> the documents that did it, by run
     */
    public function outOfDate(RunKind $kind, int $accountId): array
    {
        $latest = DB::table('runs')
            ->where(['kind' => $kind->value, 'account_id' => $accountId])
            ->orderByDesc('id')
            ->limit(self::LATEST)
            ->select('id');
        $changed = DB::table('runs as r')
            ->join('run_lines as l', 'l.run_id', '=', 'r.id')
            ->join('items as i', static fn ($join) => $join->on('i.root_id', '=', 'l.item_id')->whereNull('i.superseded_at'))
            ->where(['r.kind' => $kind->value, 'r.account_id' => $accountId])
            ->whereIn('r.id', $latest)
            ->whereNotIn('r.id', DB::table('run_reversals')->select('run_id'))
            ->where(static fn ($query) => $query
                ->whereColumn('i.recorded_at', '>', 'r.recorded_at')
                ->orWhereExists(static fn ($query) => self::matched($query, 'm.debit_item_id'))
                ->orWhereExists(static fn ($query) => self::matched($query, 'm.credit_item_id'))
                ->orWhereExists(static fn ($query) => self::takenBack($query, 'm.debit_item_id'))
                ->orWhereExists(static fn ($query) => self::takenBack($query, 'm.credit_item_id')))
            ->distinct()
            ->orderBy('i.document')
            ->get(['r.id', 'i.document']);

        return $changed
            ->groupBy('id')
            ->map(static fn ($of): array => array_values(array_map(strval(...), $of->pluck('document')->all())))
            ->all();
    }

    /** Matches of a line that came after the run and stand. Each side is asked for by itself, since each has an index of its own. */
    private static function matched(Builder $query, string $side): Builder
    {
        return $query
            ->from('matches as m')
            ->whereColumn($side, 'l.item_id')
            ->whereColumn('m.date', '<=', 'r.as_of')
            ->whereColumn('m.recorded_at', '>', 'r.recorded_at')
            ->whereNotExists(Matches::reversed(...));
    }

    /** Matches of a line that were taken back after the run. */
    private static function takenBack(Builder $query, string $side): Builder
    {
        return $query
            ->from('matches as m')
            ->join('match_reversals as b', 'b.match_id', '=', 'm.id')
            ->whereColumn($side, 'l.item_id')
            ->whereColumn('b.date', '<=', 'r.as_of')
            ->whereColumn('b.recorded_at', '>', 'r.recorded_at');
    }

    /** The run of a day that stands, if there is one. */
    public function standing(RunKind $kind, int $accountId, string $asOf): ?Run
    {
        return Run::query()
            ->where(['kind' => $kind->value, 'account_id' => $accountId, 'as_of' => $asOf])
            ->whereNotIn('id', DB::table('run_reversals')->select('run_id'))
            ->orderByDesc('id')
            ->first();
    }

    /**
     * Whether a posted run has exactly these lines.
     *
     * @param list<RunLine> $lines
     */
    public function says(Run $run, array $lines): bool
    {
        $named = static fn (?int $customer, ?int $item, int $base): string => "{$customer} {$item} {$base}";
        $posted = DB::table('run_lines')
            ->where('run_id', $run->id)
            ->get()
            ->map(static fn (stdClass $row): string => $named($row->customer_id, $row->item_id, $row->base))
            ->sort()
            ->values()
            ->all();
        $planned = array_map(static fn (RunLine $line): string => $named($line->customerId, $line->itemId, $line->base->minor), $lines);
        sort($planned);

        return $posted === $planned;
    }
}
