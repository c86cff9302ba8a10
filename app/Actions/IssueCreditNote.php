<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\Approval;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNote;
use Ajuste\Core\Settlement\CreditNotePlan;
use Ajuste\Core\Settlement\CreditNoteUse;
use Ajuste\Core\Settlement\InvoiceLine;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Approvals\Approvable;
use App\Actions\Approvals\Requests;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Queries\Customers;
use App\Queries\InvoiceLines;
use App\Queries\NumberSeries;
use App\Queries\Positions;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Values\ApprovalAsked;
use App\Values\ApprovalKind;
use App\Values\CreditNoteRequest;
use App\Values\PostedOrAsked;
use App\Values\Rehearsal;
use Illuminate\Support\Facades\DB;

/**
 * Credits lines of invoices, or lines of its own, and settles the invoices with it at once where a person wants that. Numbered without
 * gaps.
 */
final readonly class IssueCreditNote implements Approvable
{
    public function __construct(
        private Settings $settings,
        private NumberSeries $series,
        private Positions $positions,
        private Customers $customers,
        private InvoiceLines $lines,
        private Rates $rates,
        private PostPlan $posting,
        private Requests $requests,
    ) {}

    /**
     * Posts it, or asks a second person where it stands on no invoice and is large (R13).
     *
     * @param string $seen digest of the rehearsal that the person saw; blank: whatever the plan is now
     *
     * @throws Refusal when nothing is credited, more than a line has left, or the invoices do not belong together
     */
    public function post(string $key, CreditNoteRequest $request, string $seen = ''): PostedOrAsked
    {
        return $this->requests->postOrAsk($key, fn (): ApprovalAsked => $this->asked($request), $seen);
    }

    private function asked(CreditNoteRequest $request): ApprovalAsked
    {
        $note = $this->note($request);
        $customer = $this->customers->find($request->customerId);

        return new ApprovalAsked(
            ApprovalKind::CreditNote,
            "customer {$customer->id}",
            $request->payload(),
            "credit {$customer->name} without an invoice: {$request->reason}",
            $this->rates->toBase($note->gross, $request->date),
            $this->needsApproval($request),
        );
    }

    public function planOf(array $payload): PostingPlan
    {
        $request = CreditNoteRequest::fromPayload($payload, $this->settings->accounts());
        Reason::of($request->reason, 'Say why it is credited; the credit note names it.');

        return $this->plan($this->note($request), $request);
    }

    /** Why a second person approves it first, or blank. */
    public function needsApproval(CreditNoteRequest $request): string
    {
        if ($request->invoices !== []) {
            return '';
        }
        $total = $this->rates->toBase($this->note($request)->gross, $request->date);

        $limit = $this->settings->on($request->date)->moneyOrNone(Setting::ApprovalLimit);

        return Approval::above([$total], $limit, 'a credit note without an invoice');
    }

    /** What posting would write, or why it cannot be. */
    public function rehearse(CreditNoteRequest $request): Rehearsal
    {
        try {
            return Rehearsal::of($this->plan($this->note($request), $request));
        } catch (Refusal $refusal) {
            return Rehearsal::refused($refusal->getMessage(), $refusal->kind);
        }
    }

    /** @throws Refusal when nothing is credited */
    public function note(CreditNoteRequest $request): CreditNote
    {
        return $request->lines !== []
            ? CreditNote::over($request->lines, $request->currency)
            : throw new Refusal('Type what is credited of at least one line: a quantity, a lower price, or an amount without tax.');
    }

    /**
     * A credit note for exactly what is left of an invoice, in its lines' own mix of rates, that settles it. Where its lines are
     * unknown, the whole is a sales reduction: its tax is not guessed (R2).
     *
     * @throws Refusal when nothing is left, or its lines have less left
     */
    public function clearRest(string $key, int $invoiceId, string $date, string $reason): int
    {
        return $this->posting->post($key, function () use ($invoiceId, $date, $reason): PostingPlan {
            $invoice = $this->positions->find($invoiceId);
            if ($invoice->takeable->isZero()) {
                throw Refusal::done("{$invoice->title()} has nothing left.");
            }
            $note = $this->overRest($invoice);
            $why = Reason::of($reason, 'Say why it is credited; the credit note names it.');
            $request = new CreditNoteRequest(
                $invoice->head->account->customerId,
                [$invoiceId],
                $note->lines,
                $note->gross->currency,
                $date,
                $why,
                CreditNoteUse::Settles,
            );

            return $this->plan($note, $request);
        });
    }

    private function overRest(OpenItem $invoice): CreditNote
    {
        $known = $this->lines->of($invoice);
        $left = array_values(array_filter($known, static fn (InvoiceLine $line): bool => $line->rest > 0));
        if ($known !== [] && $left === []) {
            throw new Refusal("{$invoice->title()}: earlier credit notes left nothing of its lines. Write a credit note of its own.");
        }
        if ($left !== []) {
            return CreditNote::ofGross($invoice->takeable, $left);
        }
        $reductions = $this->settings->accounts()->withRole(AccountRole::SalesReductions);
        $open = $invoice->takeable;

        return CreditNote::over(
            [new CreditedLine($invoice->document, '', "Rest of {$invoice->document}", $reductions, '0', $open->minor)],
            $open->currency,
        );
    }

    private function plan(CreditNote $note, CreditNoteRequest $request): PostingPlan
    {
        $invoices = $this->invoices($request->invoices);
        $customer = $this->customers->find($request->customerId);
        $control =
            $invoices === []
                ? $this->settings->controlAccountOf($customer->id)
                : $this->settings->accounts()->withId($invoices[0]->head->account->controlAccountId);
        $free = Money::ofMinor($note->byDocument()[''] ?? 0, $note->gross->currency);
        $base = $free->isZero() ? Money::zero($this->settings->base()) : $this->rates->toBase($free, $request->date);
        $number = $this->series->number(Setting::SeriesCreditNotes, $request->date, 1 + (int) DB::table('credit_notes')->max('id'));
        $head = new VoucherHead($request->date, $number, $customer->number);
        $rule = new CreditNotePlan($this->settings->accounts(), $this->settings->locked(), $customer, $control);

        return $rule->plan($note, $head, $invoices, $base, trim($request->reason), $request->use);
    }

    /**
     * @param list<int> $ids
     * @return list<OpenItem>
     */
    private function invoices(array $ids): array
    {
        $invoices = [];
        foreach ($ids as $id) {
            $invoice = $this->positions->find($id);
            $invoices[] = $invoice->kind->isInvoice()
                ? $invoice
                : throw new Refusal("{$invoice->title()} is no invoice. A credit note stands on invoices, or on none.");
        }

        return $invoices;
    }
}
