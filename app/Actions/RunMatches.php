<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use App\Models\Run;
use App\Models\Settlement;
use App\Queries\FittingMatches;
use App\Queries\Matches;
use App\Queries\Positions;
use App\Queries\RunMatchLine;
use App\Queries\Settings;
use App\Queries\Unapplied;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/** Matches all loose credits whose proposal is certain, quoted or of the same amount and the only such, and what a person takes along. Posted and reversible as one. */
final readonly class RunMatches
{
    public const KIND = 'match_unapplied';

    public function __construct(
        private Settings $settings, private Positions $positions, private Unapplied $unapplied, private FittingMatches $fitting, private MatchItems $match, private ReverseSettlement $reverse, private Actor $actor, private AuditTrail $audit,
    ) {}

    /**
     * All that fits; what was not worked out yet is.
     *
     * @return list<RunMatchLine> the certain ones first, then by customer; each item in one line only
     */
    public function plan(Account $account, string $asOf): array
    {
        $customers = $this->unapplied->customers($account, $asOf);
        $this->fitting->workOut($account, $asOf, $this->fitting->waiting($account, $asOf, $customers));
        $known = array_filter($this->fitting->known($account, $asOf, $customers));
        $open = [];
        foreach ($known === [] ? [] : $this->positions->forMatching($account->id, $asOf) as $customerId => $item) {
            if (isset($known[$customerId])) {
                $open[$item->id] = $item;
            }
        }
        $about = array_column($customers, null, 'id');
        $lines = [];
        foreach ($known as $customerId => $matches) {
            foreach ($matches as $match) {
                $lines[] = new RunMatchLine($customerId, $about[$customerId]->customer, $about[$customerId]->name, $open[$match->creditId], $match->how, array_map(static fn (int $id): OpenItem => $open[$id], $match->settles), $match->certain);
            }
        }
        usort($lines, static fn (RunMatchLine $one, RunMatchLine $other): int => [$other->certain, $one->customer, $one->credit->date, $one->credit->id] <=> [$one->certain, $other->customer, $other->credit->date, $other->credit->id]);

        return $lines;
    }

    /**
     * Names what a person saw, so that posting can tell whether the books have moved since.
     *
     * @param list<RunMatchLine> $lines
     */
    public static function digest(array $lines): string
    {
        $named = static fn (OpenItem $item): string => "{$item->id}:{$item->open->minor}";

        return hash('sha256', implode(' ', array_map(static fn (RunMatchLine $line): string => $named($line->credit).'='.implode('.', array_map($named, $line->settles)), $lines)));
    }

    /**
     * @param string $seen digest of the lines that the person saw
     * @param list<int> $leave credits of certain lines that the person leaves out
     * @param list<int> $take credits of other lines that the person takes along
     * @return int the run
     *
     * @throws Refusal when there is nothing to match, or it would no longer be what was seen
     */
    public function post(string $key, Account $account, string $asOf, string $seen, array $leave = [], array $take = []): int
    {
        return (int) Once::for($key, function () use ($account, $asOf, $seen, $leave, $take): int {
            $lines = $this->plan($account, $asOf);
            if (self::digest($lines) !== $seen) {
                throw new Refusal('The items have changed since you looked. Look at the list again and post it if it is right.');
            }
            [$left, $taken] = [array_flip($leave), array_flip($take)];
            $lines = array_values(array_filter($lines, static fn (RunMatchLine $line): bool => $line->certain ? ! isset($left[$line->credit->id]) : isset($taken[$line->credit->id])));
            if ($lines === []) {
                throw new Refusal('Nothing is chosen. There is nothing to post.');
            }
            $record = new Recorder($this->actor);
            $run = Run::query()->create(['kind' => self::KIND, 'account_id' => $account->id, 'as_of' => $asOf, 'policy' => 'certain, and chosen', 'total' => 0, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            foreach ($lines as $line) {
                $typed = [$line->credit->id => ''];
                foreach ($line->settles as $item) {
                    $typed[$item->id] = '';
                }
                $rehearsal = $this->match->rehearse(new MatchRequest($line->customerId, $typed));
                $plan = $rehearsal->plan ?? throw new Refusal("Nothing is posted. {$line->name}, {$line->credit->title()}: ".($rehearsal->refusal ?? 'it cannot be matched.'));
                $settlement = Settlement::query()->create(['customer_id' => $line->customerId, 'date' => $plan->date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
                $this->match->store($record, $plan, $settlement->id);
                DB::table('run_settlements')->insert(['run_id' => $run->id, 'settlement_id' => $settlement->id]);
                DB::table('run_lines')->insert(['run_id' => $run->id, 'customer_id' => $line->customerId, 'item_id' => $line->credit->id, 'currency' => $plan->settled->currency->code, 'amount' => $plan->settled->minor, 'base' => 0, 'why' => $line->how->value]);
            }
            $record->flush();
            $this->audit->record('match what is proposed', "run {$run->id}", '', ['as_of' => $asOf, 'matches' => (string) count($lines)]);

            return $run->id;
        });
    }

    /**
     * Every match of it that stands, with the vouchers that it caused. One that was reversed by itself stays so.
     *
     * @param string $date blank: each as of its own day, or the first open one after it
     *
     * @throws Refusal when it is reversed already, or the day is locked or before a match of it
     */
    public function reverseRun(string $key, int $runId, string $reason, string $date = ''): void
    {
        Once::for($key, function () use ($runId, $reason, $date): int {
            $run = Run::query()->where('kind', self::KIND)->findOrFail($runId);
            if (DB::table('run_reversals')->where('run_id', $run->id)->exists()) {
                throw new Refusal("Run {$run->id} is reversed already.");
            }
            $why = Reason::of($reason);
            $record = new Recorder($this->actor);
            foreach (DB::table('run_settlements as r')->join('settlements as s', 's.id', '=', 'r.settlement_id')->where('r.run_id', $run->id)->orderByDesc('s.id')->get(['s.id', 's.date']) as $settlement) {
                $standing = Matches::standing()->where('settlement_id', $settlement->id)->exists();
                if ($standing) {
                    $this->reverse->undo($record, $settlement->id, $date !== '' ? $date : $this->settings->locked()->firstOpenFrom($settlement->date), $why);
                }
            }
            DB::table('run_reversals')->insert(['run_id' => $run->id, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            $record->flush();
            $this->audit->record('reverse run', "run {$run->id}", $why);

            return $runId;
        });
    }
}
