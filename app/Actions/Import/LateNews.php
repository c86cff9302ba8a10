<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Files\SourceFile;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Decides about what came with a date in a locked period: it is taken in on an open day, or left out with a reason (R13). */
final readonly class LateNews
{
    public function __construct(private ImportFiles $import, private Actor $actor, private AuditTrail $audit) {}

    /**
     * Takes in all that came of one document or entry.
     *
     * @param string $date the day on which it takes effect; its own, once the period was opened again
     *
     * @throws Refusal when it is decided already, or cannot be taken in on that day
     */
    public function take(string $key, string $kind, string $name, string $date, string $reason): void
    {
        $why = Reason::of($reason, 'Say why it is taken in on that day.');
        $day = Day::of($date);
        Once::for($key, function () use ($kind, $name, $day, $why): int {
            $rows = $this->waiting($kind, $name);
            $this->import($kind, $name, $day, $rows);

            return $this->decide($rows, 'taken', $day, $why);
        });
    }

    /** @throws Refusal when it is decided already, or no reason is given */
    public function leave(string $key, string $kind, string $name, string $reason): void
    {
        $why = Reason::of($reason, 'Say why it is left out.');
        Once::for($key, fn (): int => $this->decide($this->waiting($kind, $name), 'left', null, $why));
    }

    /**
     * @param non-empty-list<stdClass> $rows
     *
     * @throws Refusal when one of them cannot be taken in on that day
     */
    private function import(string $kind, string $name, string $day, array $rows): void
    {
        $take = fn (SourceFile $file): ImportReport => $this->import->post([$file], RefusedRows::RefuseLateToo, "late news: {$name}");
        $report = SourceFile::ofLines("{$kind}.csv", self::lines($rows, $day), FileKind::from($kind), null, $take);
        if ($report->refusedCount > 0 || $report->late !== []) {
            $fault = $report->refused[0] ?? $report->late[0];
            throw new Refusal("{$name} cannot be taken in on {$day}: {$fault->field} “{$fault->value}”: {$fault->expected}.");
        }
    }

    /** @param  non-empty-list<stdClass>  $rows */
    private function decide(array $rows, string $decision, ?string $date, string $why): int
    {
        foreach ($rows as $row) {
            DB::table('late_decisions')->insertOrIgnore([
                'late_id' => $row->id,
                'decision' => $decision,
                'date' => $date,
                'reason' => $why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
        }
        $this->audit->record("late news {$decision}", "late {$rows[0]->id}", $why, ['name' => $rows[0]->name, 'date' => (string) $date]);

        return (int) $rows[0]->id;
    }

    /**
     * @return non-empty-list<stdClass>
     *
     * @throws Refusal
     */
    private function waiting(string $kind, string $name): array
    {
        $rows = array_values(
            DB::table('late_rows')
                ->where(['kind' => $kind, 'name' => $name])
                ->whereNotIn('id', DB::table('late_decisions')->select('late_id'))
                ->orderBy('id')
                ->get()
                ->all(),
        );

        return $rows !== [] ? $rows : throw Refusal::done("Nothing of {$name} waits any more. Load the page again.");
    }

    /**
     * @param non-empty-list<stdClass> $rows
     * @return list<list<string>> headings first
     */
    private static function lines(array $rows, string $day): array
    {
        $lines = [];
        foreach ($rows as $place => $row) {
            /** @var array<string, string> $content */
            $content = json_decode($row->content, true, flags: JSON_THROW_ON_ERROR);
            if ($place === 0) {
                $lines[] = array_keys($content);
            }
            $lines[] = array_values([...$content, 'date' => $day]);
        }

        return $lines;
    }
}
