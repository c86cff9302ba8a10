<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\SignOff\Signature;
use Ajuste\Core\SignOff\SignedFigures;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The figures of a period as they stand, and who signed which. */
final readonly class SignOffs
{
    public function __construct(private Settings $settings, private TrialBalance $balance) {}

    /** The period that waits to be signed: the one that is being closed. */
    public function period(): Period
    {
        return $this->settings->period();
    }

    public function figures(Period $period): SignedFigures
    {
        $figures = [];
        foreach ($this->balance->lines($period->last) as $line) {
            $figures["balance of {$line->account->number}"] = $line->balance->grouped();
            if ($line->tie !== null) {
                $figures["customers on {$line->account->number}"] = $line->tie->customers->grouped();
            }
        }
        foreach (['items' => 'items', 'matches' => 'matches', 'vouchers' => 'vouchers'] as $table => $name) {
            $figures["number of {$name}"] = (string) DB::table($table)->where('date', '<=', $period->last)->count();
        }
        $figures['number of matches taken back'] = (string) DB::table('match_reversals')->where('date', '<=', $period->last)->count();

        return new SignedFigures($figures);
    }

    /** The latest signature since the period was last opened again. */
    public function latest(Period $period, string $role): ?Signature
    {
        $reopened = (string) DB::table('reopenings')->where('period', $period->name)->max('recorded_at');
        $row = DB::table('signatures')
            ->where(['period' => $period->name, 'role' => $role])
            ->where('recorded_at', '>', $reopened)
            ->orderByDesc('id')
            ->first();

        return $row === null ? null : self::signature($row);
    }

    /** The second signature of a period, whether it stands or the period was opened again since. */
    public function second(Period $period): ?Signature
    {
        $row = DB::table('signatures')->where(['period' => $period->name, 'role' => 'reviewer'])->orderByDesc('id')->first();

        return $row === null ? null : self::signature($row);
    }

    private static function signature(stdClass $row): Signature
    {
        /** @var array<string, string> $figures */
        $figures = json_decode($row->figures, true, flags: JSON_THROW_ON_ERROR);

        return new Signature($row->who, $row->recorded_at, new SignedFigures($figures), $row->evidence);
    }

    /** @return array<string, string> the last reason by the check's name */
    public function reasons(Period $period): array
    {
        return DB::table('check_reasons')->where('period', $period->name)->orderBy('id')->pluck('reason', 'name')->all();
    }

    /** @return list<stdClass> periods that were signed, the latest first */
    public function signed(): array
    {
        return array_values(
            DB::table('signatures')->where('role', 'reviewer')->orderByDesc('id')->limit(24)->get(['period', 'who', 'recorded_at'])->all(),
        );
    }
}
