<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PlacementKind;
use App\Actions\Posting\Once;
use App\Actions\Posting\PostPlan;
use App\Queries\StatementLine;
use App\Queries\StatementLines;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Words by which statement lines are no receivables, now and when more of them come. */
final readonly class SetAsideRules
{
    public function __construct(
        private StatementLines $lines,
        private PostPlan $posting,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /** @throws Refusal when the words would catch too much */
    public function keep(string $key, string $words, string $reason): void
    {
        $this->refuseShort($words);
        Once::for($key, function () use ($words, $reason): int {
            $id = DB::table('set_aside_rules')->insertGetId([
                'words' => trim($words),
                'reason' => trim($reason),
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('rule: not receivables', "rule {$id}", trim($reason), ['words' => trim($words)]);

            return $id;
        });
        $this->apply();
    }

    /** @throws Refusal when the words would catch too much */
    public function refuseShort(string $words): void
    {
        if (mb_strlen(trim($words)) < 4) {
            throw new Refusal('A rule needs four characters or more, so that it does not catch what it should not.');
        }
    }

    /** Sets aside what the rules name and nobody has decided about; to be called when lines or rules have come. */
    public function apply(): void
    {
        $rules = DB::table('set_aside_rules')->whereNull('withdrawn_at')->orderBy('id')->get();
        $open = $rules->isEmpty() ? [] : $this->lines->toPlace('9999-12-31');
        $decided = $this->decided(array_map(static fn (StatementLine $line): int => $line->id, $open));
        foreach ($open as $line) {
            foreach (isset($decided[$line->id]) ? [] : $rules as $rule) {
                if (mb_stripos("{$line->text()} {$line->reference}", $rule->words) !== false) {
                    $why = "{$rule->reason} (rule “{$rule->words}”)";
                    $this->posting->post(
                        "rule-{$rule->id}-{$line->id}",
                        static fn () => PlaceElsewhere::placed($line, PlacementKind::NotReceivables, $why, 'not receivables'),
                    );
                    break;
                }
            }
        }
    }

    /**
     * @param list<int> $lineIds
     * @return array<int, int> those of which a person has said something, as keys
     */
    private function decided(array $lineIds): array
    {
        $decided = [];
        foreach (array_chunk($lineIds, 500) as $some) {
            foreach (['placements', 'receipt_drafts'] as $table) {
                array_push($decided, ...DB::table($table)->whereIn('line_id', $some)->pluck('line_id')->all());
            }
        }

        return array_flip($decided);
    }

    public function withdraw(string $key, int $ruleId): void
    {
        Once::for($key, function () use ($ruleId): int {
            DB::table('set_aside_rules')
                ->where('id', $ruleId)
                ->whereNull('withdrawn_at')
                ->update(['withdrawn_at' => Moment::now()]);
            $this->audit->record('withdraw rule', "rule {$ruleId}");

            return $ruleId;
        });
    }
}
