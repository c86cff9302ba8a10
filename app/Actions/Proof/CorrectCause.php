<?php

declare(strict_types=1);

namespace App\Actions\Proof;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Reversal;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Voucher;
use App\Queries\Customers;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\Standing;
use Illuminate\Support\Facades\DB;

/**
 * Corrects what a cause of the proof shows: the ledger by a voucher, or the customer's side by an entry; and takes such a correction back.
 */
final readonly class CorrectCause
{
    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private Customers $customers,
        private Standing $standing,
        private PostPlan $posting,
    ) {}

    /**
     * The account that the correction would most likely be posted against: the wrong one, else the other side of the entry.
     */
    public function counterAccount(CauseLine $cause, Account $control): ?Account
    {
        $entries = array_map(static fn ($posting): string => $posting->entry, $cause->postings);
        $id = DB::table('postings')
            ->whereIn('entry', $entries)
            ->where('account_id', '<>', $control->id)
            ->whereNull('superseded_at')
            ->orderByRaw('abs(base) DESC')
            ->value('account_id');

        return is_int($id) ? $this->settings->accounts()->withId($id) : null;
    }

    /** @throws Refusal when the cause is gone or changed, or the voucher cannot be posted */
    public function correct(string $key, Account $control, string $asOf, string $causeKey, Account $counter, string $date): void
    {
        $this->posting->post($key, function () use ($control, $asOf, $causeKey, $counter, $date): PostingPlan {
            $rule = new LedgerCorrection($this->settings->locked(), $this->settings->base());

            return $rule->plan($this->reports->cause($control, $asOf, $causeKey), $control, $counter, $date);
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
            $voucher = Voucher::query()->find($voucherId) ?? throw Refusal::notFound('There is no such voucher. Load the page again.');
            $why = Reason::of($reason);
            $refusal = $this->standing->refusal($voucher);
            if ($refusal !== null) {
                throw new Refusal($refusal);
            }
            $date = $this->settings->locked()->firstOpenFrom($voucher->date);
            $standing = $this->standing->voucher($voucher);
            $plan = new PlanBuilder();
            $plan->correctsOneSide();
            $mirror = $plan->mirror($standing, $date);
            foreach ($standing->items as $item) {
                (new Reversal($this->settings->locked()))->counter($plan, $item, $mirror, $date, $why);
            }
            $about = Subject::of(SubjectKind::Voucher, $voucherId);
            $plan->trail('reverse voucher', $about, $why, ['voucher' => $voucher->number, 'date' => $date]);

            return $plan->build($about);
        });
    }
}
