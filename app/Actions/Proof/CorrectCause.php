<?php

declare(strict_types=1);

namespace App\Actions\Proof;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
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
use Ajuste\Core\Run\Approval;
use Ajuste\Core\Settlement\Reversal;
use App\Actions\Approvals\Approvable;
use App\Actions\Approvals\Requests;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Voucher;
use App\Queries\CauseAccounts;
use App\Queries\Customers;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\Standing;
use App\Values\ApprovalAsked;
use App\Values\ApprovalKind;
use App\Values\CauseCorrection;
use App\Values\CorrectionWay;
use App\Values\PostedOrAsked;
use Illuminate\Support\Facades\DB;

/**
 * Corrects what a cause of the proof shows: the ledger by a voucher or an accrual, or the customer's side by an entry; and takes such a
 * correction back.
 */
final readonly class CorrectCause implements Approvable
{
    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private Customers $customers,
        private CauseAccounts $accounts,
        private Standing $standing,
        private PostPlan $posting,
        private Requests $requests,
    ) {}

    /**
     * Corrects, or asks a second person where that is large (R13).
     *
     * @throws Refusal when the cause is gone or changed, or the correction cannot be posted
     */
    public function correct(string $key, CauseCorrection $correction): PostedOrAsked
    {
        return $this->requests->postOrAsk($key, fn (): ApprovalAsked => $this->asked($correction));
    }

    private function asked(CauseCorrection $correction): ApprovalAsked
    {
        $causes = $this->causes($correction);
        $amounts = array_map(fn (CauseLine $cause): Money => Money::ofMinor($cause->amount, $this->settings->base())->abs(), $causes);
        $first = $causes[0];

        return new ApprovalAsked(
            ApprovalKind::Correction,
            "{$correction->controlId} {$correction->asOf} {$correction->cause}",
            $correction->payload(),
            $correction->way->words().' '.lcfirst($first->cause->words()).(count($causes) === 1 ? " {$first->document()}" : ''),
            Money::sum($amounts, $this->settings->base()),
            $this->needsApproval($amounts, $correction->asOf),
        );
    }

    /**
     * Why a second person approves a correction of these amounts first, or blank.
     *
     * @param list<Money> $amounts base currency
     * @param string $asOf day of the proof that it corrects
     */
    public function needsApproval(array $amounts, string $asOf): string
    {
        return Approval::above($amounts, $this->settings->on($asOf)->moneyOrNone(Setting::ApprovalLimit), 'it');
    }

    public function planOf(array $payload): PostingPlan
    {
        $correction = CauseCorrection::fromPayload($payload);
        $control = $this->settings->accounts()->withId($correction->controlId);
        $counter = $correction->counter === null ? null : $this->settings->accounts()->numbered($correction->counter);
        $cause = $this->causes($correction)[0];

        return match ($correction->way) {
            CorrectionWay::Voucher => $this->ledger()
                ->plan($cause, $control, $this->against($cause, $control, $counter), $correction->date),
            CorrectionWay::VoucherForEach => $this->forEach($correction, $control, $counter),
            CorrectionWay::Accrual => (new Accrual($this->settings->locked(), $this->settings->base()))
                ->plan($cause, $control, $this->against($cause, $control, $counter), $correction->asOf),
            CorrectionWay::Customer => (new CustomerCorrection($this->settings->locked(), $this->settings->base()))->plan(
                $cause,
                $control,
                $this->customers->find((int) $correction->customerId, 'Choose the customer on whose account the entry belongs.'),
                $correction->date,
            ),
        };
    }

    private function forEach(CauseCorrection $correction, Account $control, ?Account $counter): PostingPlan
    {
        $plan = new PlanBuilder;
        $voucher = null;
        foreach ($this->causes($correction) as $cause) {
            $voucher = $this->ledger()->addTo($plan, $cause, $control, $this->against($cause, $control, $counter), $correction->date);
        }

        return $plan->build(Subject::voucher($voucher));
    }

    /**
     * @return non-empty-list<CauseLine> what is corrected
     *
     * @throws Refusal when it is gone
     */
    private function causes(CauseCorrection $correction): array
    {
        $control = $this->settings->accounts()->withId($correction->controlId);
        if ($correction->way !== CorrectionWay::VoucherForEach) {
            return [$this->reports->cause($control, $correction->asOf, $correction->cause)];
        }
        $kind = Cause::tryFrom($correction->cause) ?? throw new Refusal('Choose a kind of cause of the list.');
        $causes = $this->ofKind($control, $correction->asOf, $kind);

        return $causes !== [] ? $causes : throw Refusal::changed('No such cause is left. Look at the proof again.');
    }

    /** @return list<CauseLine> causes of a kind that a voucher mends */
    public function ofKind(Account $control, string $asOf, Cause $kind): array
    {
        return array_values(array_filter(
            $this->reports->proof($control, $asOf)->lines,
            static fn (CauseLine $cause): bool => $cause->cause === $kind && LedgerCorrection::fits($cause),
        ));
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
