<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Models\Run;
use App\Models\Settlement;
use App\Queries\Matches;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\RunMatchLine;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Remembered;
use Illuminate\Support\Facades\DB;

/** Matches all loose credits whose proposal is certain: quoted or of the same amount, the only such. Posted and reversible as one. */
final readonly class RunMatches
{
    public const KIND = 'match_unapplied';

    public function __construct(
        private Settings $settings, private Positions $positions, private Proposals $proposals, private MatchItems $match, private ReverseSettlement $reverse, private Actor $actor, private AuditTrail $audit,
    ) {}

    /** @return list<RunMatchLine> by customer, each item in one line only */
    public function plan(Account $account, string $asOf): array
    {
        return Remembered::while("certain matches {$account->id} {$asOf}", ['imports', 'settings', 'items', 'matches', 'match_reversals', 'discount_decisions'], fn (): array => $this->workOut($account, $asOf));
    }

    /** @return list<RunMatchLine> */
    private function workOut(Account $account, string $asOf): array
    {
        /** @var array<int, list<OpenItem>> $open */
        $open = $about = [];
        foreach ($this->positions->forMatching($account->id, $asOf) as $customerId => [$number, $name, $item]) {
            $open[$customerId][] = $item;
            $about[$customerId] = [$number, $name];
        }
        $lines = [];
        foreach ($open as $customerId => $items) {
            $taken = [];
            $credits = array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Credit);
            foreach (count($credits) < count($items) ? $credits : [] as $credit) {
                $proposal = $this->proposals->forItem($credit, $items);
                $certain = $proposal->only && in_array($proposal->how, [Way::Quoted, Way::Exact], true) && ! $proposal->takesDiscount();
                $ids = [$credit->id, ...array_map(static fn (Settles $settles): int => $settles->item->id, $proposal->settles)];
                if ($certain && array_intersect($ids, $taken) === []) {
                    $taken = [...$taken, ...$ids];
                    $lines[] = new RunMatchLine($customerId, $about[$customerId][0], $about[$customerId][1], $credit, $proposal);
                }
            }
        }
        usort($lines, static fn (RunMatchLine $one, RunMatchLine $other): int => [$one->customer, $one->credit->date, $one->credit->id] <=> [$other->customer, $other->credit->date, $other->credit->id]);

        return $lines;
    }

    /**
     * Names what a person saw, so that posting can tell whether the books have moved since.
     *
     * @param list<RunMatchLine> $lines
     */
    public static function digest(array $lines): string
    {
        return hash('sha256', implode(' ', array_map(static fn (RunMatchLine $line): string => $line->credit->id.':'.$line->credit->open->minor.':'.implode('.', array_map(static fn (Settles $settles): string => "{$settles->item->id}={$settles->amount}", $line->proposal->settles)), $lines)));
    }

    /**
     * @param string $seen digest of the lines that the person saw
     * @return int the run
     *
     * @throws Refusal when there is nothing to match, or it would no longer be what was seen
     */
    public function post(string $key, Account $account, string $asOf, string $seen): int
    {
        return (int) Once::for($key, function () use ($account, $asOf, $seen): int {
            $lines = $this->plan($account, $asOf);
            if ($lines === []) {
                throw new Refusal('No loose credit has a certain proposal. There is nothing to post.');
            }
            if (self::digest($lines) !== $seen) {
                throw new Refusal('The items have changed since you looked. Look at the list again and post it if it is right.');
            }
            $record = new Recorder($this->actor);
            $run = Run::query()->create(['kind' => self::KIND, 'account_id' => $account->id, 'as_of' => $asOf, 'policy' => 'quoted, exact', 'total' => 0, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            foreach ($lines as $line) {
                $typed = [$line->credit->id => ''];
                foreach ($line->proposal->settles as $settles) {
                    $typed[$settles->item->id] = '';
                }
                $rehearsal = $this->match->rehearse(new MatchRequest($line->customerId, $typed));
                $plan = $rehearsal->plan ?? throw new Refusal("Nothing is posted. {$line->name}, {$line->credit->title()}: ".($rehearsal->refusal ?? 'it cannot be matched.'));
                $settlement = Settlement::query()->create(['customer_id' => $line->customerId, 'date' => $plan->date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
                $this->match->store($record, $plan, $settlement->id);
                DB::table('run_settlements')->insert(['run_id' => $run->id, 'settlement_id' => $settlement->id]);
                DB::table('run_lines')->insert(['run_id' => $run->id, 'customer_id' => $line->customerId, 'item_id' => $line->credit->id, 'currency' => $plan->settled->currency->code, 'amount' => $plan->settled->minor, 'base' => 0, 'why' => $line->proposal->how->value]);
            }
            $record->flush();
            $this->audit->record('match the certain ones', "run {$run->id}", '', ['as_of' => $asOf, 'matches' => (string) count($lines)]);

            return $run->id;
        });
    }

    /** @throws Refusal when a match of it is reversed already, or the day is locked */
    public function reverseRun(string $key, int $runId, string $reason): void
    {
        Once::for($key, function () use ($runId, $reason): int {
            $run = Run::query()->where('kind', self::KIND)->findOrFail($runId);
            if (DB::table('run_reversals')->where('run_id', $run->id)->exists()) {
                throw new Refusal("Run {$run->id} is reversed already.");
            }
            $why = Reason::of($reason);
            $record = new Recorder($this->actor);
            foreach (DB::table('run_settlements as r')->join('settlements as s', 's.id', '=', 'r.settlement_id')->where('r.run_id', $run->id)->orderByDesc('s.id')->get(['s.id', 's.date']) as $settlement) {
                $standing = Matches::standing()->where('settlement_id', $settlement->id)->exists();
                if ($standing) { // one that was reversed by itself stays so
                    $this->reverse->undo($record, $settlement->id, $this->settings->locked()->firstOpenFrom($settlement->date), $why);
                }
            }
            DB::table('run_reversals')->insert(['run_id' => $run->id, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            $record->flush();
            $this->audit->record('reverse run', "run {$run->id}", $why);

            return $runId;
        });
    }
}
