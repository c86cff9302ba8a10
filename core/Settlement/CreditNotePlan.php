<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\CreditNoteIssued;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/**
 * What issuing a credit note writes (R2), and settling its invoices with it at once. It carries the base that it takes off its invoices
 * (R9).
 */
final readonly class CreditNotePlan
{
    /** @param  Account  $control that carries the invoices */
    public function __construct(
        private ChartOfAccounts $accounts,
        private LockedDays $locked,
        private Customer $customer,
        private Account $control,
    ) {}

    /**
     * @param VoucherHead $head document and date of the note
     * @param list<OpenItem> $invoices that it stands on
     * @param Money $freeBase what lines of its own, which stand on no invoice, carry in base currency
     *
     * @throws Refusal when the invoices do not belong together, or are younger or smaller than what is credited
     */
    public function plan(
        CreditNote $note,
        VoucherHead $head,
        array $invoices,
        Money $freeBase,
        string $reason,
        CreditNoteUse $use,
    ): PostingPlan {
        $this->locked->refuse($head->date, 'The credit note');
        $this->refuseUnfit($note, $head->date, $invoices);
        $base = $this->base($note, $invoices, $freeBase);
        $documents = array_map(static fn (OpenItem $invoice): string => $invoice->document, $invoices);
        $text = trim("Credit note {$head->document}".($documents === [] ? '' : ' for '.implode(', ', $documents)));
        $plan = new PlanBuilder();
        $voucher = $plan->voucher($note->voucher($head, $this->accounts, $this->control, $base, $text));
        $account = $this->customer->on($this->control->id);
        $item = $plan->newItem(
            ItemHead::credit($head->document, Kind::CreditNote, $account, $head->date, $documents[0] ?? ''),
            $note->gross,
            $base,
            $voucher,
        );
        if ($use === CreditNoteUse::Settles) {
            $this->settle($plan, $note, $item, $invoices);
        }
        $ids = array_combine($documents, array_map(static fn (OpenItem $invoice): int => $invoice->id, $invoices));
        $plan->fact(new CreditNoteIssued($item->ref, $note->lines, $ids, $reason, $voucher));
        $plan->trail('credit note', Subject::item($item->ref), $reason, [
            'document' => $head->document,
            'invoices' => implode(' ', $documents),
            'gross' => $note->gross->decimal(),
        ]);

        return $plan->build(Subject::item($item->ref));
    }

    /** @param  list<OpenItem>  $invoices */
    private function settle(PlanBuilder $plan, CreditNote $note, OpenItem $item, array $invoices): void
    {
        $reserved = [];
        foreach ($invoices as $invoice) {
            $takes = Money::least($this->part($note, $invoice), $invoice->takeable);
            if ($takes->isPositive()) {
                $reserved[] = new Reserved($invoice, $item, $takes);
            }
        }
        if ($reserved === []) {
            return;
        }
        $used = Money::sum(array_map(static fn (Reserved $of): Money => $of->amount, $reserved), $note->gross->currency);
        $ticks = [new Tick($item, $used), ...array_map(static fn (Reserved $of): Tick => new Tick($of->debit, $of->amount), $reserved)];
        $matching = new Matching($this->accounts, $this->locked);
        $date = $matching->earliestDate([$item, ...array_map(static fn (Reserved $of): OpenItem => $of->debit, $reserved)]);
        $settlement = $plan->settlement($this->customer->id, $date);
        $matching->plan($ticks, $date, $this->customer->number, $reserved)->addTo($plan, $settlement);
    }

    /** @param  list<OpenItem>  $invoices */
    private function base(CreditNote $note, array $invoices, Money $freeBase): Money
    {
        $base = $freeBase;
        foreach ($invoices as $invoice) {
            $part = $this->part($note, $invoice);
            $base = $base->plus(
                $part->isMoreThan($invoice->takeable) ? $invoice->base->share($part, $invoice->amount) : $invoice->moves($part),
            );
        }

        return $base;
    }

    /** What of the note goes with an invoice, tax included. */
    private function part(CreditNote $note, OpenItem $invoice): Money
    {
        return Money::ofMinor($note->byDocument()[$invoice->document] ?? 0, $note->gross->currency);
    }

    /** @param  list<OpenItem>  $invoices */
    private function refuseUnfit(CreditNote $note, string $date, array $invoices): void
    {
        $seen = [];
        foreach ($invoices as $invoice) {
            if (isset($seen[$invoice->document])) {
                throw new Refusal('Two of these invoices bear the same number. Credit them one by one.');
            }
            $seen[$invoice->document] = true;
            $account = $invoice->head->account;
            if (
                $account->customerId !== $this->customer->id ||
                $account->controlAccountId !== $this->control->id ||
                ! $invoice->amount->isIn($note->gross->currency)
            ) {
                throw new Refusal(
                    "{$invoice->title()} is of another customer, currency or control account than the others. Credit it by itself.",
                );
            }
            if ($date < $invoice->date) {
                throw new Refusal("{$invoice->title()} is dated {$invoice->date}; a credit note for it cannot be older.");
            }
            $part = $this->part($note, $invoice);
            if ($part->isMoreThan($invoice->amount)) {
                throw new Refusal(
                    "{$invoice->title()}: with tax the lines come to {$part->grouped()}, more than its {$invoice->amount->grouped()}.",
                );
            }
        }
    }
}
