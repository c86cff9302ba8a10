<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Contra\AtMost;
use Ajuste\Core\Contra\PairChoices;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\RunDecisions;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Keeps how much of a pair's items and bills is set off at most. Nothing is posted by it. */
final readonly class KeepPairChoices
{
    public function __construct(private RunDecisions $decisions, private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param PairChoices $wanted of the pair's own items and bills; what stands and is not among them is decided by the rule again
     * @param list<int> $items of the pair
     * @param list<int> $bills of the pair
     *
     * @throws Refusal when something is kept out without a reason, or nothing would change
     */
    public function post(string $key, Account $control, string $asOf, PairChoices $wanted, array $items, array $bills, string $reason): void
    {
        Once::for($key, function () use ($control, $asOf, $wanted, $items, $bills, $reason): int {
            $stands = $this->decisions->ofPairs($control, $asOf);
            $rows = [
                ...self::changes('item_id', $items, $stands->items, $wanted->items),
                ...self::changes('supplier_item_id', $bills, $stands->bills, $wanted->bills),
            ];
            if ($rows === []) {
                throw new Refusal('Nothing is changed: take a tick out or type an amount, then keep it.');
            }
            $why = array_filter(array_column($rows, 'amount'), is_int(...)) === [] ? trim($reason) : Reason::of($reason);
            foreach ($rows as $row) {
                DB::table('pair_choices')->insert([
                    ...$row, 'account_id' => $control->id, 'as_of' => $asOf, 'reason' => $why, 'who' => $this->actor->who,
                    'recorded_at' => Moment::now(),
                ]);
            }
            $this->audit->record('chose amounts of a pair', 'contra', $why, ['as_of' => $asOf, 'changes' => (string) count($rows)]);

            return count($rows);
        });
    }

    /**
     * @param list<int> $ids
     * @param array<int, AtMost> $stands
     * @param array<int, AtMost> $wanted
     * @return list<array<string, ?int>>
     */
    private static function changes(string $column, array $ids, array $stands, array $wanted): array
    {
        $rows = [];
        foreach ($ids as $id) {
            [$was, $is] = [$stands[$id]->amount->minor ?? null, $wanted[$id]->amount->minor ?? null];
            if ($was !== $is) {
                $rows[] = ['item_id' => null, 'supplier_item_id' => null, $column => $id, 'amount' => $is];
            }
        }

        return $rows;
    }
}
