<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Fact\AllowancePosted;
use Ajuste\Core\Posting\Fact\AmountContested;
use Ajuste\Core\Posting\Fact\BatchPosted;
use Ajuste\Core\Posting\Fact\ContestEnded;
use Ajuste\Core\Posting\Fact\ContraPosted;
use Ajuste\Core\Posting\Fact\CreditNoteIssued;
use Ajuste\Core\Posting\Fact\DebtWrittenOff;
use Ajuste\Core\Posting\Fact\DepositTaxBooked;
use Ajuste\Core\Posting\Fact\DocumentTakenBack;
use Ajuste\Core\Posting\Fact\InstalmentMeant;
use Ajuste\Core\Posting\Fact\LinesMeant;
use Ajuste\Core\Posting\Fact\PayerRemembered;
use Ajuste\Core\Posting\Fact\PlacementTakenBack;
use Ajuste\Core\Posting\Fact\RefundPaid;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\Fact\RunReversed;
use Ajuste\Core\Posting\Fact\StatementLinePlaced;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use App\Support\Actor;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Writes what a plan states beside vouchers, items and matches. */
final readonly class FactRecorder
{
    public function __construct(private Actor $actor) {}

    /** A run stands before its vouchers, which name it. */
    public function begin(PostingPlan $plan, PlanKeys $keys, string $recordedAt): void
    {
        foreach ($plan->facts as $fact) {
            if ($fact instanceof RunPosted) {
                $this->runPosted($fact, $keys, $recordedAt);
            } elseif ($fact instanceof PlacementTakenBack) {
                // before the line gets its new place
                DB::table('placement_reversals')->insert([
                    'placement_id' => $fact->placementId,
                    'reason' => trim($fact->reason),
                    ...$this->signed($recordedAt),
                ]);
            }
        }
    }

    public function record(PostingPlan $plan, PlanKeys $keys, string $recordedAt): void
    {
        $inserts = new PreparedInserts(DB::connection()->getPdo());
        foreach ($plan->facts as $fact) {
            match (true) {
                $fact instanceof RunPosted, $fact instanceof PlacementTakenBack => null,
                $fact instanceof StatementLinePlaced => $this->linePlaced($fact, $keys, $recordedAt),
                $fact instanceof CreditNoteIssued => $this->creditNote($fact, $keys, $recordedAt),
                $fact instanceof RefundPaid => $this->refund($fact, $keys, $recordedAt),
                $fact instanceof LinesMeant => $this->linesMeant($fact, $keys),
                $fact instanceof InstalmentMeant => DB::table('matched_instalments')->insert([
                    'settlement_id' => $keys->settlements[$fact->settlement],
                    'item_id' => $keys->item($fact->invoice),
                    'due_date' => $fact->dueDate,
                ]),
                $fact instanceof AmountContested => $this->contested($fact, $keys, $recordedAt),
                $fact instanceof ContraPosted => self::contra($fact, $keys, $inserts),
                $fact instanceof AllowancePosted => $this->allowance($fact, $keys),
                $fact instanceof DebtWrittenOff => $this->writtenOff($fact, $keys, $recordedAt),
                default => $this->row($fact, $keys, $recordedAt),
            };
        }
        $inserts->flush();
    }

    /** Facts that are one row each. */
    private function row(Fact $fact, PlanKeys $keys, string $recordedAt): void
    {
        match (true) {
            $fact instanceof DepositTaxBooked => DB::table('deposit_taxes')->insert([
                'item_id' => $keys->item($fact->deposit),
                'rate' => $fact->rate,
                'tax' => $fact->tax->minor,
            ]),
            $fact instanceof ContestEnded => DB::table('contested_ends')->insert([
                'contested_id' => $fact->contestedId,
                'reason' => $fact->reason,
                'date' => $fact->date,
                ...$this->signed($recordedAt),
            ]),
            $fact instanceof PayerRemembered => DB::table('payers')->upsert(
                [
                    [
                        'name' => $fact->name,
                        'bank_account' => $fact->bankAccount,
                        'customer_id' => $fact->customerId,
                        'recorded_at' => $recordedAt,
                    ],
                ],
                ['name', 'bank_account'],
                ['customer_id', 'recorded_at'],
            ),
            $fact instanceof BatchPosted => DB::table('batch_postings')->insert([
                'batch_id' => $fact->batchId,
                ...$this->signed($recordedAt),
            ]),
            $fact instanceof RunReversed => DB::table('run_reversals')->insert([
                'run_id' => $fact->runId,
                'reason' => $fact->reason,
                ...$this->signed($recordedAt),
            ]),
            $fact instanceof DocumentTakenBack => DB::table('item_reversals')->insert([
                'item_id' => $keys->item($fact->document),
                'by_item_id' => $keys->item($fact->by),
                'date' => $fact->date,
                'reason' => $fact->reason,
                ...$this->signed($recordedAt),
            ]),
            default => throw new LogicException('There is no table for '.$fact::class.'.'),
        };
    }

    private static function contra(ContraPosted $fact, PlanKeys $keys, PreparedInserts $inserts): void
    {
        $item = $keys->item($fact->item);
        $inserts->insert('supplier_contras', ['item_id' => $item, 'supplier_id' => $fact->supplierId, 'agreement' => $fact->agreement]);
        foreach ($fact->bills as $part) {
            $inserts->insert('supplier_contra_bills', [
                'item_id' => $item,
                'supplier_item_id' => $part->bill->id,
                'amount' => $part->amount->minor,
                'base' => $part->base->minor,
            ]);
        }
    }

    private function writtenOff(DebtWrittenOff $fact, PlanKeys $keys, string $recordedAt): void
    {
        DB::table('written_off')->insert([
            'item_id' => $keys->item($fact->writeOff),
            'debt_item_id' => $keys->item($fact->debt),
            'ground' => $fact->ground->value,
            'evidence' => $fact->evidence,
            'tax_on' => $fact->taxOn,
            'from_allowance' => $fact->share->fromAllowance->minor,
            'cost' => $fact->share->cost->minor,
            'tax' => $fact->share->tax->minor,
            ...$this->signed($recordedAt),
        ]);
    }

    private function allowance(AllowancePosted $fact, PlanKeys $keys): void
    {
        foreach ($fact->specific as $line) {
            if ($line->amount->isPositive()) {
                DB::table('allowance_posted')->insert([
                    'run_id' => $keys->run,
                    'customer_id' => $line->of->customer->id,
                    'item_id' => $line->of->itemId,
                    'amount' => $line->amount->minor,
                ]);
            }
        }
    }

    private function runPosted(RunPosted $fact, PlanKeys $keys, string $recordedAt): void
    {
        $keys->run = DB::table('runs')->insertGetId([
            'kind' => $fact->kind->value,
            'account_id' => $fact->controlAccountId,
            'as_of' => $fact->asOf,
            'policy' => $fact->policy,
            'total' => $fact->total->minor,
            ...$this->signed($recordedAt),
        ]);
        $inserts = new PreparedInserts(DB::connection()->getPdo());
        foreach ($fact->lines as $line) {
            $inserts->insert('run_lines', [
                'run_id' => $keys->run,
                'customer_id' => $line->customerId,
                'item_id' => $line->itemId,
                'currency' => $line->amount->currency->code,
                'amount' => $line->amount->minor,
                'base' => $line->base->minor,
                'why' => $line->why,
            ]);
        }
        foreach ($fact->leftOut as $left) {
            $inserts->insert('run_left_out', [
                'run_id' => $keys->run,
                'customer_id' => $left->customer->id,
                'item_id' => $left->itemId,
                'document' => $left->document,
                'currency' => $left->amount->currency->code,
                'amount' => $left->amount->minor,
                'base' => $left->base->minor,
                'why' => $left->why,
                'near_miss' => (int) $left->mayBeTaken,
            ]);
        }
        foreach ($keys->settlements as $settlement) {
            $inserts->insert('run_settlements', ['run_id' => $keys->run, 'settlement_id' => $settlement]);
        }
        $inserts->flush();
    }

    /** @throws Refusal when the line has a place already, or another line confirms the posting */
    private function linePlaced(StatementLinePlaced $fact, PlanKeys $keys, string $recordedAt): void
    {
        $stands = static fn (string $column, int $of): bool => DB::table('placements as p')
            ->where("p.{$column}", $of)
            ->whereNotExists(static fn ($query) => $query->from('placement_reversals as r')->whereColumn('r.placement_id', 'p.id'))
            ->exists();
        if ($stands('line_id', $fact->lineId)) {
            throw Refusal::done('This line has been placed already. Load the page again.');
        }
        if ($fact->postingId !== null && $stands('posting_id', $fact->postingId)) {
            throw Refusal::done('Another line confirms this posting already. Load the page again.');
        }
        DB::table('receipt_drafts')->where('line_id', $fact->lineId)->delete();
        DB::table('placements')->insert([
            'line_id' => $fact->lineId,
            'kind' => $fact->kind->value,
            'item_id' => $fact->item === null ? null : $keys->item($fact->item),
            'posting_id' => $fact->postingId,
            'voucher_id' => $fact->voucher === null ? null : $keys->vouchers[$fact->voucher]->id,
            'reason' => trim($fact->reason),
            ...$this->signed($recordedAt),
        ]);
    }

    private function contested(AmountContested $fact, PlanKeys $keys, string $recordedAt): void
    {
        DB::table('contested')->insert([
            'item_id' => $keys->item($fact->invoice),
            'reason_id' => DB::table('deduction_reasons')->where('code', $fact->reason)->value('id'),
            'amount' => $fact->amount->minor,
            'owner' => $this->actor->who,
            'date' => $fact->date,
            'settlement_id' => $keys->settlements[$fact->settlement],
            ...$this->signed($recordedAt),
        ]);
    }

    private function linesMeant(LinesMeant $fact, PlanKeys $keys): void
    {
        foreach ($fact->lines as $line) {
            DB::table('matched_lines')->insertOrIgnore([
                'settlement_id' => $keys->settlements[$fact->settlement],
                'item_id' => $keys->item($fact->invoice),
                'line' => $line,
            ]);
        }
    }

    private function refund(RefundPaid $fact, PlanKeys $keys, string $recordedAt): void
    {
        DB::table('refunds')->insert([
            'credit_item_id' => $fact->credit === null ? null : $keys->item($fact->credit),
            'item_id' => $keys->item($fact->refund),
            'voucher_id' => $keys->vouchers[$fact->voucher]->id,
            'settlement_id' => $fact->settlement === null ? null : $keys->settlements[$fact->settlement],
            'way' => $fact->way->value,
            'paid' => $fact->paid->minor,
            'payee' => $fact->payee->name,
            'iban' => $fact->payee->iban,
            'iban_changed_at' => $fact->payee->newSince,
            'reason' => trim($fact->reason),
            ...$this->signed($recordedAt),
        ]);
    }

    private function creditNote(CreditNoteIssued $fact, PlanKeys $keys, string $recordedAt): void
    {
        $id = DB::table('credit_notes')->insertGetId([
            'item_id' => $keys->item($fact->note),
            'voucher_id' => $keys->vouchers[$fact->voucher]->id,
            'reason' => $fact->reason,
            ...$this->signed($recordedAt),
        ]);
        foreach ($fact->lines as $place => $line) {
            DB::table('credit_note_lines')->insert([
                'credit_note_id' => $id,
                'place' => $place + 1,
                'invoice_item_id' => $fact->invoices[$line->document] ?? null,
                'line' => $line->line,
                'description' => $line->description,
                'net' => $line->net,
                'rate' => $line->rate,
                'account_id' => $line->account->id,
                'dimension' => $line->dimension,
            ]);
        }
    }

    /** @return array{who: string, recorded_at: string} */
    private function signed(string $recordedAt): array
    {
        return ['who' => $this->actor->who, 'recorded_at' => $recordedAt];
    }
}
