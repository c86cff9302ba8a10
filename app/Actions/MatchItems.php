<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\Timeline;
use App\Models\Customer;
use App\Models\Settlement;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Ties items of one customer together on one day. */
final readonly class MatchItems
{
    public function __construct(private Settings $settings, private Positions $positions, private Actor $actor, private AuditTrail $audit) {}

    public function rehearse(MatchRequest $request): MatchRehearsal
    {
        $ticks = [];
        $remainder = null;
        try {
            $matching = new Matching($this->settings->accounts(), $this->settings->locked());
            $rows = $this->rows($request);
            $items = $this->onDay($rows, $request->date);
            if ($items === []) {
                return new MatchRehearsal([], null, null, null);
            }
            $ticks = $matching->fill($items, $this->typed($items, $request->typed));
            $used = array_values(array_filter($ticks, static fn (Tick $tick): bool => $tick->amount->minor !== 0));
            $date = $request->date ?? max($matching->earliestDate(array_map(static fn (Tick $tick): OpenItem => $tick->item, $used === [] ? $ticks : $used)), $this->positions->freeFrom(array_keys($request->typed)));
            $items = $this->onDay($rows, $date);
            assert($items !== []);
            $ticks = $matching->fill($items, $this->typed($items, $request->typed));
            $remainder = $matching->remainder($ticks);
            $plan = $matching->plan(
                array_values(array_filter($ticks, static fn (Tick $tick): bool => $tick->amount->minor !== 0)), $date,
                Customer::query()->findOrFail($request->customerId)->customer,
            );

            return new MatchRehearsal($ticks, $remainder, $plan, null, $plan->voucher === null ? [] : [$plan->voucher]);
        } catch (Refusal $refusal) {
            return new MatchRehearsal($ticks, $remainder, null, $refusal->getMessage());
        }
    }

    /**
     * @param string $seen digest of the rehearsal that the person saw; blank: whatever the plan is now
     * @return int the settlement's number
     *
     * @throws Refusal when the match cannot be posted, or would no longer be what was seen
     */
    public function post(string $key, MatchRequest $request, string $seen = ''): int
    {
        return (int) Once::for($key, function () use ($request, $seen): int {
            $rehearsal = $this->rehearse($request);
            $this->refuseUnseen($rehearsal, $seen);
            $plan = $rehearsal->plan;
            $record = new Recorder($this->actor);
            $settlement = Settlement::query()->create(['customer_id' => $request->customerId, 'date' => $plan->date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            $this->store($record, $plan, $settlement->id);
            $record->flush();

            return $settlement->id;
        });
    }

    /**
     * @param string $seen digest of the rehearsal that the person saw; blank: whatever the plan is now
     *
     * @phpstan-assert !null $rehearsal->plan
     *
     * @throws Refusal when it cannot be posted, or would no longer be what was seen
     */
    public function refuseUnseen(MatchRehearsal $rehearsal, string $seen): void
    {
        if ($rehearsal->plan === null) {
            throw new Refusal($rehearsal->refusal ?? 'Nothing is ticked. Tick at least one debit and one credit.');
        }
        if ($seen !== '' && $seen !== $rehearsal->digest()) {
            throw new Refusal('The items have changed since you looked: '.implode('; ', array_map(static fn (Tick $tick): string => "{$tick->item->title()} has {$tick->item->open->grouped()} open", $rehearsal->ticks)).'. Look at the figures again and post if they are right.');
        }
    }

    /** Writes a planned match into a settlement that exists, inside the transaction of the action that planned it. */
    public function store(Recorder $record, MatchPlan $plan, int $settlementId): void
    {
        foreach ($plan->matches as $match) {
            $record->match($plan->date, $match->debit->id, $match->credit->id, $match->amount->minor, $match->debitBase->minor, $match->creditBase->minor, $settlementId);
        }
        if ($plan->voucher !== null) {
            $posted = $record->voucher($plan->voucher, settlementId: $settlementId);
            foreach ($plan->differences as $difference) {
                $this->recordDifference($record, $plan, $difference->match->debit, $difference->match->credit, $difference->base, $posted, $settlementId);
            }
        }
        $this->audit->record('match', "settlement {$settlementId}", '', [
            'date' => $plan->date, 'settled' => $plan->settled->decimal(),
            'documents' => implode(' ', array_map(static fn (Tick $tick): string => $tick->item->document, $plan->ticks)),
        ]);
    }

    /** The realised difference is an item that corrects base only, and is used up by the match that caused it (R1, R9). */
    private function recordDifference(Recorder $record, MatchPlan $plan, OpenItem $debit, OpenItem $credit, Money $base, PostedVoucher $posted, int $settlementId): void
    {
        $side = Side::ofSign($base->minor);
        $item = $record->item(
            document: $debit->document, kind: Kind::ExchangeDifference, customerId: $debit->customerId, occurrence: $record->nextOccurrence($debit->document, Kind::ExchangeDifference, $debit->customerId), side: $side,
            date: $plan->date, dueDate: $plan->date, currency: $debit->amount->currency->code, amount: 0, base: abs($base->minor),
            controlAccountId: $debit->controlAccountId, reference: $debit->document, entry: $posted->number, sourceItemId: $debit->id, voucherId: $posted->id,
        );
        $side === Side::Debit
            ? $record->match($plan->date, $item, $credit->id, 0, $base->minor, 0, $settlementId)
            : $record->match($plan->date, $debit->id, $item, 0, 0, -$base->minor, $settlementId);
    }

    /**
     * @param list<OpenItem> $items
     * @param array<int, string> $typed
     * @return array<int, Money>
     */
    public function typed(array $items, array $typed): array
    {
        $amounts = [];
        foreach ($items as $item) {
            if (trim($typed[$item->id] ?? '') !== '') {
                $amounts[$item->id] = TypedAmount::read($typed[$item->id], $item->amount->currency);
            }
        }

        return $amounts;
    }

    /**
     * The items with what a match of the day could take of them, in the order in which they were ticked.
     *
     * @return list<OpenItem>
     */
    public function items(MatchRequest $request, ?string $date): array
    {
        return $this->onDay($this->rows($request), $date);
    }

    /**
     * @return array<int, stdClass> the items' columns, by item id, in the order in which they were ticked
     *
     * @throws Refusal when one does not exist or is another customer's
     */
    private function rows(MatchRequest $request): array
    {
        $found = DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->whereIn('p.item_id', array_keys($request->typed))
            ->get(['p.item_id', 'p.matched', 'p.moved', 'p.last_moved_on', 'i.*'])->keyBy('item_id');
        $rows = [];
        foreach (array_keys($request->typed) as $id) {
            $row = $found[$id] ?? throw new Refusal('One of the items does not exist any more. Load the page again.');
            $rows[$id] = $row->customer_id === $request->customerId ? $row : throw new Refusal("{$row->document} belongs to another customer. Load the page again.");
        }

        return $rows;
    }

    /**
     * @param array<int, stdClass> $rows
     * @return list<OpenItem>
     */
    private function onDay(array $rows, ?string $date): array
    {
        $record = new Recorder($this->actor);
        $items = [];
        foreach ($rows as $id => $row) {
            // A later day can only take more where something moved after this one.
            $later = $date !== null && $row->last_moved_on > $date;
            $taken = $later ? max($row->matched, (new Timeline($record->movements($id)))->peakFrom($date)) : $row->matched;
            $items[] = $this->positions->openItem($row, $id, $taken, $row->matched, $row->moved);
        }

        return $items;
    }
}
