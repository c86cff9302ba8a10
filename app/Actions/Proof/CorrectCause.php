<?php

declare(strict_types=1);

namespace App\Actions\Proof;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Proof\Accrual;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CounterLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Reversal;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Voucher;
use App\Queries\CauseAccounts;
use App\Queries\Customers;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\Standing;
use Illuminate\Support\Facades\DB;

/**
 * Corrects what a cause of the proof shows: the ledger by a voucher or an accrual, or the customer's side by an entry; and takes such a
 * correction back.
 */
final readonly class CorrectCause
{
    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private Customers $customers,
        private CauseAccounts $accounts,
        private Standing $standing,
        private PostPlan $posting,
    ) {}

    /**
     * @param ?Account $counter null: the accounts that the document's lines and the entry say
     *
     * @throws Refusal when the cause is gone or changed, or the voucher cannot be posted
     */
    public function correct(string $key, Account $control, string $asOf, string $causeKey, ?Account $counter, string $date): void
    {
        $this->posting->post($key, function () use ($control, $asOf, $causeKey, $counter, $date): PostingPlan {
            $cause = $this->reports->cause($control, $asOf, $causeKey);

            return $this->ledger()->plan($cause, $control, $this->against($cause, $control, $counter), $date);
        });
    }

    /**
     * All causes of one kind that a voucher mends, together.
     *
     * @param ?Account $counter for all of them; null: each against the accounts that its document's lines and entry say
     *
     * @throws Refusal when there is none, or one of the vouchers cannot be posted
     */
    public function correctAll(string $key, Account $control, string $asOf, Cause $kind, ?Account $counter, string $date): void
    {
        $this->posting->post($key, function () use ($control, $asOf, $kind, $counter, $date): PostingPlan {
            $plan = new PlanBuilder;
            $voucher = null;
            foreach ($this->ofKind($control, $asOf, $kind) as $cause) {
                $voucher = $this->ledger()->addTo($plan, $cause, $control, $this->against($cause, $control, $counter), $date);
            }

            return $voucher === null
                ? throw Refusal::changed('No such cause is left. Look at the proof again.')
                : $plan->build(Subject::voucher($voucher));
        });
    }

    /** @return list<CauseLine> causes of a kind that a voucher mends */
    public function ofKind(Account $control, string $asOf, Cause $kind): array
    {
        return array_values(array_filter(
            $this->reports->proof($control, $asOf)->lines,
            static fn (CauseLine $cause): bool => $cause->cause === $kind && LedgerCorrection::fits($cause),
        ));
    }

    /**
     * Accrues at the day of the proof what the ledger has in another period, with the mirror on the day after.
     *
     * @param ?Account $counter null: the accounts that the late entry and the document say
     *
     * @throws Refusal when the cause is gone or changed, or the accrual cannot be posted
     */
    public function accrue(string $key, Account $control, string $asOf, string $causeKey, ?Account $counter): void
    {
        $this->posting->post($key, function () use ($control, $asOf, $causeKey, $counter): PostingPlan {
            $cause = $this->reports->cause($control, $asOf, $causeKey);
            $rule = new Accrual($this->settings->locked(), $this->settings->base());

            return $rule->plan($cause, $control, $this->against($cause, $control, $counter), $asOf);
        });
    }

    /**
     * An entry on the customer's side: an adjustment under the cause's document.
     *
     * @throws Refusal when the cause is gone or changed, or the entry cannot be posted
     */
    public function adjustCustomer(string $key, Account $control, string $asOf, string $causeKey, int $customerId, string $date): void
    {
        $this->posting->post($key, function () use ($control, $asOf, $causeKey, $customerId, $date): PostingPlan {
            $customer = $this->customers->find($customerId, 'Choose the customer on whose account the entry belongs.');
            $rule = new CustomerCorrection($this->settings->locked(), $this->settings->base());

            return $rule->plan($this->reports->cause($control, $asOf, $causeKey), $control, $customer, $date);
        });
    }

    /** @throws Refusal when the reason is blank, or the voucher belongs to a match or run and goes with it */
    public function reverseVoucher(string $key, int $voucherId, string $reason): void
    {
        $this->posting->post($key, function () use ($voucherId, $reason): PostingPlan {
            $plan = new PlanBuilder;
            $this->reverse($plan, $voucherId, Reason::of($reason));

            return $plan->build(Subject::of(SubjectKind::Voucher, $voucherId));
        });
    }

    /**
     * All corrections that are no longer needed, since their sources are mended.
     *
     * @throws Refusal when there is none
     */
    public function reverseNotNeeded(string $key, Account $control, string $asOf): void
    {
        $this->posting->post($key, function () use ($control, $asOf): PostingPlan {
            $plan = new PlanBuilder;
            $vouchers = $this->notNeeded($control, $asOf);
            foreach ($vouchers as $voucher) {
                $this->reverse($plan, $voucher, 'no longer needed: mended at the source');
            }

            return $vouchers === []
                ? throw Refusal::changed('No correction is left that is no longer needed. Look at the proof again.')
                : $plan->build(Subject::of(SubjectKind::Voucher, $vouchers[0]));
        });
    }

    /** @return list<int> the vouchers of corrections that are no longer needed */
    private function notNeeded(Account $control, string $asOf): array
    {
        $vouchers = [];
        foreach ($this->reports->proof($control, $asOf)->lines as $cause) {
            if ($cause->cause !== Cause::NotNeeded) {
                continue;
            }
            [$table, $key] = $cause->postings !== [] ? ['postings', 'id'] : ['items', 'root_id'];
            $vouchers[] = (int) DB::table($table)->where($key, $cause->first()->id)->whereNull('superseded_at')->value('voucher_id');
        }

        return array_values(array_unique($vouchers));
    }

    private function reverse(PlanBuilder $plan, int $voucherId, string $why): void
    {
        $voucher = Voucher::query()->find($voucherId) ?? throw Refusal::notFound('There is no such voucher. Load the page again.');
        $refusal = $this->standing->refusal($voucher);
        if ($refusal !== null) {
            throw new Refusal($refusal);
        }
        $date = $this->settings->locked()->firstOpenFrom($voucher->date);
        $standing = $this->standing->voucher($voucher);
        $plan->correctsOneSide();
        $mirror = $plan->mirror($standing, $date);
        foreach ($standing->items as $item) {
            (new Reversal($this->settings->locked()))->counter($plan, $item, $mirror, $date, $why);
        }
        $about = Subject::of(SubjectKind::Voucher, $voucherId);
        $plan->trail('reverse voucher', $about, $why, ['voucher' => $voucher->number, 'date' => $date]);
    }

    private function ledger(): LedgerCorrection
    {
        return new LedgerCorrection($this->settings->locked(), $this->settings->base());
    }

    /** @return list<CounterLine> */
    private function against(CauseLine $cause, Account $control, ?Account $counter): array
    {
        return $counter === null ? $this->accounts->of($cause, $control) : $this->accounts->against($cause, $counter);
    }
}
