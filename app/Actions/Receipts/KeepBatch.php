<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\ReceiptPosting;
use App\Actions\Once;
use App\Actions\PostedVoucher;
use App\Actions\Recorder;
use App\Queries\Batch;
use App\Queries\Batches;
use App\Queries\MoneyLines;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Closure;
use Illuminate\Support\Facades\DB;

/** Receipts typed by hand, singly or as a batch with a declared total: saved at any time, posted only when nothing remains (R3). */
final readonly class KeepBatch
{
    public function __construct(
        private Settings $settings, private MoneyLines $lines, private Batches $batches, private PlaceReceipt $place, private Actor $actor, private AuditTrail $audit,
    ) {}

    /**
     * Opens a batch.
     *
     * @param string $account number of the money account; blank: the one that goes with the way of payment
     *
     * @throws Refusal when the reference is taken or the total is no amount
     */
    public function open(string $key, string $reference, Way $way, string $account, string $date, string $declared, bool $asOne): int
    {
        return (int) Once::for($key, function () use ($reference, $way, $account, $date, $declared, $asOne): int {
            $name = trim($reference) !== '' ? trim($reference) : 'B'.(1 + (int) DB::table('batches')->max('id'));
            if (DB::table('batches')->where('reference', $name)->exists()) {
                throw new Refusal("There is a batch {$name} already. Give this one another name.");
            }
            $money = $this->moneyAccount($way, $account);
            $total = TypedAmount::read($declared, $this->currency($money));
            if ($total->minor <= 0) {
                throw new Refusal('The declared total is the sum on the paying-in slip, above zero.');
            }
            $id = DB::table('batches')->insertGetId([
                'reference' => $name, 'way' => $way->value, 'account_id' => $money->id, 'date' => Day::of($date), 'currency' => $total->currency->code, 'declared' => $total->minor, 'as_one' => $asOne ? 1 : 0,
                'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('open batch', "batch {$id}", '', ['reference' => $name, 'declared' => $total->decimal()]);

            return $id;
        });
    }

    /** @throws Refusal when the batch is posted, or an amount is none */
    public function declare(string $key, int $batchId, string $declared, bool $asOne): void
    {
        Once::for($key, function () use ($batchId, $declared, $asOne): int {
            $batch = $this->openBatch($batchId);
            $total = TypedAmount::read($declared, $batch->declared->currency);
            DB::table('batches')->where('id', $batchId)->update(['declared' => $total->minor > 0 ? $total->minor : throw new Refusal('The declared total is above zero.'), 'as_one' => $asOne ? 1 : 0]);
            $this->audit->record('declare batch', "batch {$batchId}", '', ['declared' => $total->decimal()]);

            return $batchId;
        });
    }

    /**
     * One more receipt: into a batch, or singly.
     *
     * @param ?int $batchId null: singly
     * @param string $pays what the payer said that it is for
     * @return int the line
     *
     * @throws Refusal when the batch is posted, or the amount is none
     */
    public function type(string $key, ?int $batchId, Way $way, string $account, string $date, int $customerId, string $amount, string $reference, string $pays): int
    {
        return (int) Once::for($key, function () use ($batchId, $way, $account, $date, $customerId, $amount, $reference, $pays): int {
            $batch = $batchId === null ? null : $this->openBatch($batchId);
            $money = $batch->account ?? $this->moneyAccount($way, $account);
            $sum = TypedAmount::read($amount, $batch->declared->currency ?? $this->currency($money));
            if ($sum->minor <= 0) {
                throw new Refusal('A receipt is above zero.');
            }
            if (! DB::table('customers')->where('id', $customerId)->exists()) {
                throw new Refusal('Choose the customer whose receipt it is, by number or name.');
            }
            $day = $batch->date ?? Day::of($date);
            $this->settings->locked()->refuse($day, 'The receipt');
            $id = DB::table('money_lines')->insertGetId([
                'batch_id' => $batchId, 'place' => 1 + (int) DB::table('money_lines')->where('batch_id', $batchId)->max('place'), 'way' => ($batch->way ?? $way)->value, 'account_id' => $money->id, 'booking_date' => $day, 'value_date' => $day,
                'currency' => $sum->currency->code, 'amount' => $sum->minor, 'reference' => mb_strimwidth(trim($reference), 0, 60), 'remittance' => mb_strimwidth(trim($pays), 0, 380), 'customer_id' => $customerId,
            ]);
            $this->audit->record('type receipt', "money line {$id}", '', ['amount' => $sum->decimal(), 'way' => ($batch->way ?? $way)->value]);

            return $id;
        });
    }

    /** @throws Refusal when the receipt is posted, or comes from a statement */
    public function remove(string $key, int $lineId): void
    {
        Once::for($key, function () use ($lineId): int {
            $line = $this->lines->find($lineId);
            if ($line->way === 'statement' || DB::table('placements')->where('line_id', $lineId)->exists()) {
                throw new Refusal('Only a typed receipt that is not posted can be taken out.');
            }
            DB::table('receipt_drafts')->where('line_id', $lineId)->delete();
            DB::table('money_lines')->where('id', $lineId)->delete();
            $this->audit->record('take out typed receipt', "money line {$lineId}", '', ['amount' => $line->amount->decimal()]);

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

    /**
     * Posts every receipt of the batch, each with its draft or what is proposed for it, as one sum or one by one; all or none.
     *
     * @throws Refusal when something remains, or one of the receipts cannot be posted
     */
    public function post(string $key, int $batchId, Account $control): void
    {
        Once::for($key, function () use ($batchId, $control): int {
            $batch = $this->openBatch($batchId);
            if (! $batch->remaining()->isZero() || $batch->lines === []) {
                throw new Refusal("{$batch->remaining()->grouped()} {$batch->declared->currency->code} of the declared {$batch->declared->grouped()} remains. A batch is posted when nothing does.");
            }
            $record = new Recorder($this->actor);
            $plans = [];
            foreach ($this->batches->requests($batch, $control) as $request) {
                $plans[] = $plan = $this->naming($request->lineId, fn (): ReceiptPlan => $this->place->plan($request, $control));
                $this->naming($request->lineId, fn () => $this->place->refuseUnexplained($plan->settlement));
            }
            $together = $batch->asOne ? $this->together($record, $batch, $plans) : null;
            foreach ($plans as $plan) {
                $posted = $together ?? $record->voucher($this->place->voucher($plan));
                $this->naming($plan->line->id, fn () => $this->place->record($record, $plan, $posted));
            }
            $record->flush();
            DB::table('batch_postings')->insert(['batch_id' => $batchId, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            $this->audit->record('post batch', "batch {$batchId}", '', ['reference' => $batch->reference, 'total' => $batch->declared->decimal(), 'receipts' => (string) count($plans)]);

            return $batchId;
        });
    }

    /** @param  list<ReceiptPlan>  $plans */
    private function together(Recorder $record, Batch $batch, array $plans): PostedVoucher
    {
        $credited = Money::zero($this->settings->base());
        $charges = Money::zero($this->settings->base());
        /** @var list<VoucherLine> $against */
        $against = [];
        foreach ($plans as $plan) {
            $credited = $credited->plus($plan->credited);
            $charges = $charges->plus($plan->charges);
            array_push($against, ...$plan->against);
        }
        assert($against !== []);

        return $record->voucher((new ReceiptPosting($this->settings->accounts()))->received($batch->date, $batch->account, $credited, $charges, $against, "Batch {$batch->reference}", $batch->reference));
    }

    /**
     * A refusal of one receipt says which one it is.
     *
     * @template T
     *
     * @param Closure(): T $carryOut
     * @return T
     */
    private function naming(int $lineId, Closure $carryOut): mixed
    {
        try {
            return $carryOut();
        } catch (Refusal $refusal) {
            $line = $this->lines->find($lineId);
            $customer = (string) DB::table('customers')->where('id', $line->customerId ?? 0)->value('name');
            throw new Refusal("Nothing is posted. {$customer}, {$line->amount->grouped()}: {$refusal->getMessage()}");
        }
    }

    private function openBatch(int $batchId): Batch
    {
        $batch = $this->batches->find($batchId);

        return $batch->postedAt === null ? $batch : throw new Refusal("Batch {$batch->reference} is posted. What is posted stays; a receipt of it can be taken back on its own page.");
    }

    private function moneyAccount(Way $way, string $number): Account
    {
        $accounts = $this->settings->accounts();
        if (trim($number) !== '') {
            $account = $accounts->numbered(trim($number));

            return in_array($account->role, [AccountRole::Bank, AccountRole::Till, AccountRole::ReceiptsInTransit], true) ? $account : throw new Refusal("{$account->title()} is no money account. One with the role bank, till or receipts_in_transit is expected.");
        }

        return $accounts->allWithRole($way->account())[0] ?? $accounts->withRole(AccountRole::Bank);
    }

    private function currency(Account $account): Currency
    {
        $code = DB::table('accounts')->where('id', $account->id)->value('currency');

        return is_string($code) && $code !== '' ? Currency::of($code) : $this->settings->base();
    }
}
