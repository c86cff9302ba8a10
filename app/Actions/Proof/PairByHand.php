<?php

declare(strict_types=1);

namespace App\Actions\Proof;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Reports;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** What a person says about which lines of the proof belong together, or do not. It stands above the tests. */
final readonly class PairByHand
{
    public function __construct(private Reports $reports, private Actor $actor, private AuditTrail $audit) {}

    /**
     * Lines that belong together whatever the tests say.
     *
     * @param list<string> $causeKeys whose lines are meant
     *
     * @throws Refusal when fewer than two lines are meant, or no reason is given
     */
    public function together(string $key, Account $control, string $asOf, array $causeKeys, string $reason): void
    {
        Once::for($key, fn (): int => $this->keep($control, $this->named($control, $asOf, $causeKeys), 1, 'pair by hand', $reason));
    }

    /**
     * Lines that do not belong together.
     *
     * @param string $pairKey the pair that the tests made, or a cause
     *
     * @throws Refusal when fewer than two lines are meant, or no reason is given
     */
    public function apart(string $key, Account $control, string $asOf, string $pairKey, string $reason): void
    {
        Once::for($key, fn (): int => $this->keep($control, $this->named($control, $asOf, [$pairKey]), 0, 'part by hand', $reason));
    }

    public function withdraw(string $key, int $pairId): void
    {
        Once::for($key, function () use ($pairId): int {
            DB::table('hand_pairs_withdrawn')->insertOrIgnore([
                'hand_pair_id' => $pairId,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('withdraw pair', "hand pair {$pairId}");

            return $pairId;
        });
    }

    /** @param  array{list<int>, list<int>}  $lines postings and items */
    private function keep(Account $control, array $lines, int $together, string $what, string $reason): int
    {
        [$postings, $items] = $lines;
        if (count($postings) + count($items) < 2) {
            throw new Refusal('Choose the line that it belongs to.');
        }
        $id = DB::table('hand_pairs')->insertGetId([
            'account_id' => $control->id,
            'together' => $together,
            'reason' => Reason::of($reason, 'Say why, so that others can follow it.'),
            'who' => $this->actor->who,
            'recorded_at' => Moment::now(),
        ]);
        foreach ($postings as $posting) {
            $row =
                DB::table('postings')->where('id', $posting)->where('account_id', $control->id)->whereNull('superseded_at')->first() ??
                throw Refusal::changed('A posting is gone. Look at the proof again.');
            DB::table('hand_pair_lines')->insert(['hand_pair_id' => $id, 'entry' => $row->entry, 'occurrence' => $row->occurrence]);
        }
        foreach ($items as $item) {
            DB::table('hand_pair_lines')->insert(['hand_pair_id' => $id, 'item_id' => $item]);
        }
        $this->audit->record($what, "hand pair {$id}", $reason);

        return $id;
    }

    /**
     * @param list<string> $keys
     * @return array{list<int>, list<int>} postings and items
     */
    private function named(Account $control, string $asOf, array $keys): array
    {
        $postings = $items = [];
        foreach ($keys as $key) {
            [$ofPostings, $ofItems] = $this->linesOf($control, $asOf, $key);
            array_push($postings, ...$ofPostings);
            array_push($items, ...$ofItems);
        }

        return [$postings, $items];
    }

    /**
     * The postings and items that a key names: a cause of the proof as it is now, or a pair without a difference.
     *
     * @return array{list<int>, list<int>}
     *
     * @throws Refusal when they are gone or changed
     */
    private function linesOf(Account $control, string $asOf, string $key): array
    {
        if (preg_match('/^pair-([\d.]*)-([\d.]*)$/D', $key, $named) === 1) {
            $listed = static fn (string $ids): array => array_map(intval(...), preg_split('/\./', $ids, -1, PREG_SPLIT_NO_EMPTY) ?: []);

            return [$listed($named[1]), $listed($named[2])];
        }
        $cause = $this->reports->cause($control, $asOf, $key);
        $id = static fn (ProofLine $line): int => $line->id;

        return [array_map($id, $cause->postings), array_map($id, $cause->items)];
    }
}
