<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\AlikeReceipt;
use Ajuste\Core\Settlement\PaymentWay;
use App\Actions\Posting\Once;
use App\Queries\Batch;
use App\Queries\Batches;
use App\Queries\MoneyAccounts;
use App\Queries\Settings;
use App\Queries\StatementLines;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\Alike;
use App\Values\BatchPosting;
use App\Values\TypedReceipt;
use Illuminate\Support\Facades\DB;

/** Receipts typed by hand, singly or as a batch with a declared total: kept at any time, posted later. */
final readonly class KeepBatch
{
    public function __construct(
        private Settings $settings,
        private StatementLines $lines,
        private Batches $batches,
        private MoneyAccounts $accounts,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * Opens a batch.
     *
     * @param ?Account $account the money account; null: the one that goes with the way of payment
     *
     * @throws Refusal when the reference is taken, the day is locked or the total is not above zero
     */
    public function open(
        string $key,
        string $reference,
        PaymentWay $way,
        ?Account $account,
        string $date,
        Money $declared,
        BatchPosting $posting,
    ): int {
        return (int) Once::for($key, function () use ($reference, $way, $account, $date, $declared, $posting): int {
            $name = trim($reference) !== '' ? trim($reference) : 'B'.(1 + (int) DB::table('batches')->max('id'));
            if (DB::table('batches')->where('reference', $name)->exists()) {
                throw new Refusal("There is a batch {$name} already. Give this one another name.");
            }
            self::refuseTotal($declared);
            $this->settings->locked()->refuse($date, 'The batch');
            $id = DB::table('batches')->insertGetId([
                'reference' => $name,
                'way' => $way->value,
                'account_id' => ($account ?? $this->accounts->of($way))->id,
                'date' => $date,
                'currency' => $declared->currency->code,
                'declared' => $declared->minor,
                'as_one' => $posting->value,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('open batch', "batch {$id}", '', ['reference' => $name, 'declared' => $declared->decimal()]);

            return $id;
        });
    }

    /**
     * Another total or day; its receipts are of its day.
     *
     * @throws Refusal when the batch is posted, the day is locked, or the total is not above zero
     */
    public function declare(string $key, int $batchId, Money $declared, string $date, BatchPosting $posting): void
    {
        Once::for($key, function () use ($batchId, $declared, $date, $posting): int {
            $this->openBatch($batchId);
            self::refuseTotal($declared);
            $this->settings->locked()->refuse($date, 'The batch');
            DB::table('batches')
                ->where('id', $batchId)
                ->update(['declared' => $declared->minor, 'date' => $date, 'as_one' => $posting->value]);
            DB::table('money_lines')
                ->where('batch_id', $batchId)
                ->update(['booking_date' => $date, 'value_date' => $date]);
            $this->audit->record('declare batch', "batch {$batchId}", '', ['declared' => $declared->decimal(), 'date' => $date]);

            return $batchId;
        });
    }

    /**
     * One more receipt: into a batch, or singly.
     *
     * @param ?int $batchId null: singly
     * @return int the line
     *
     * @throws Refusal when the batch is posted, the amount is not above zero, or there is a receipt alike and nobody said that both
     *                 are meant
     */
    public function type(string $key, ?int $batchId, TypedReceipt $typed): int
    {
        return (int) Once::for($key, function () use ($batchId, $typed): int {
            $batch = $batchId === null ? null : $this->openBatch($batchId);
            if (! $typed->amount->isPositive()) {
                throw new Refusal('A receipt is above zero.');
            }
            if (! DB::table('customers')->where('id', $typed->customerId)->exists()) {
                throw new Refusal('Choose the customer whose receipt it is, by number or name.');
            }
            $day = $batch->date ?? $typed->date;
            $way = $batch->way ?? $typed->way;
            $this->settings->locked()->refuse($day, 'The receipt');
            $this->refuseAlike($typed, $day);
            $id = DB::table('money_lines')->insertGetId([
                'batch_id' => $batchId,
                'place' => 1 + (int) DB::table('money_lines')->where('batch_id', $batchId)->max('place'),
                'way' => $way->value,
                'account_id' => ($batch->account ?? ($typed->account ?? $this->accounts->of($way)))->id,
                'booking_date' => $day,
                'value_date' => $day,
                'currency' => $typed->amount->currency->code,
                'amount' => $typed->amount->minor,
                'customer_id' => $typed->customerId,
                'reference' => mb_strimwidth(trim($typed->reference), 0, 60),
                'remittance' => mb_strimwidth(trim($typed->pays), 0, 380),
            ]);
            $this->audit->record('type receipt', "statement line {$id}", '', ['amount' => $typed->amount->decimal(), 'way' => $way->value]);

            return $id;
        });
    }

    /** @throws Refusal when the receipt is posted, or comes from a statement */
    public function remove(string $key, int $lineId): void
    {
        Once::for($key, function () use ($lineId): int {
            $line = $this->lines->find($lineId);
            if ($line->isOfStatement() || DB::table('placements')->where('line_id', $lineId)->exists()) {
                throw new Refusal('Only a typed receipt that is not posted can be taken out.');
            }
            DB::table('receipt_drafts')->where('line_id', $lineId)->delete();
            DB::table('money_lines')->where('id', $lineId)->delete();
            $this->audit->record('take out typed receipt', "statement line {$lineId}", '', ['amount' => $line->amount->decimal()]);

            return $lineId;
        });
    }

    /** @throws Refusal when it is posted, or receipts are in it */
    public function close(string $key, int $batchId): void
    {
        Once::for($key, function () use ($batchId): int {
            $batch = $this->openBatch($batchId);
            if ($batch->lines !== []) {
                throw new Refusal("Batch {$batch->reference} holds ".count($batch->lines).' receipts. Take them out first.');
            }
            DB::table('batches')->where('id', $batchId)->delete();
            $this->audit->record('drop batch', "batch {$batchId}", '', ['reference' => $batch->reference]);

            return $batchId;
        });
    }

    private function openBatch(int $batchId): Batch
    {
        $batch = $this->batches->find($batchId);
        $batch->refusePosted();

        return $batch;
    }

    private function refuseAlike(TypedReceipt $typed, string $day): void
    {
        $same = DB::table('money_lines')
            ->where('customer_id', $typed->customerId)
            ->where('currency', $typed->amount->currency->code)
            ->where('amount', $typed->amount->minor)
            ->orderByDesc('id')
            ->get(['reference', 'booking_date']);
        foreach ($typed->alike === Alike::Keep ? [] : $same as $line) {
            if (AlikeReceipt::mayBe($typed->reference, $day, $line->reference, $line->booking_date)) {
                $named = $line->reference === '' ? '' : ", {$line->reference}";
                throw new Refusal(
                    "A receipt of {$typed->amount->grouped()} {$typed->amount->currency->code} of this customer is there already, of "
                        ."{$line->booking_date}{$named}. If both are meant, say so beside the amount.",
                );
            }
        }
    }

    private static function refuseTotal(Money $declared): void
    {
        if (! $declared->isPositive()) {
            throw new Refusal('The declared total is the sum on the paying-in slip, above zero.');
        }
    }
}
