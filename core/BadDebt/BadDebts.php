<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\DebtWrittenOff;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;

/**
 * Irrecoverable debts (R2): the specific allowance that is posted is used first, the rest is impairment loss; output tax comes off apart
 * when its conditions are met (Directive 2006/112/EC art. 90, from memory).
 */
final readonly class BadDebts
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Account $control) {}

    /**
     * @param list<LostDebt> $debts all of one customer
     * @param Money $allowance what is posted specifically for the customer as a whole and not used yet, base currency
     *
     * @throws Refusal when nothing is lost, more than is open, tax of unknown lines is asked for, or the day is locked
     */
    public function writeOff(Customer $customer, array $debts, WriteOffRequest $request, Money $allowance): PostingPlan
    {
        if ($debts === []) {
            throw new Refusal('Nothing is ticked. Tick the documents that will never be paid.');
        }
        $this->locked->refuse($request->date, 'The write-off');
        if ($request->taxOn !== null && $request->taxOn > $request->date) {
            throw new Refusal(
                "The conditions for the tax are met on {$request->taxOn}, after the write-off of {$request->date}. Date it then.",
            );
        }
        $plan = new PlanBuilder;
        $settlement = $plan->settlement($customer->id, $request->date);
        $lines = $shares = [];
        foreach ($debts as $place => $debt) {
            $share = self::share($debt, $request->taxOn !== null, $allowance);
            $allowance = $allowance->minus(Money::most($share->fromAllowance->minus($debt->allowance), Money::zero($allowance->currency)));
            self::refuse($debt, $request->date);
            $lines = [...$lines, ...$this->lines($customer, $debt, $share)];
            $shares[$place] = $share;
        }
        assert($lines !== []);
        $voucher = $plan->voucher(new Voucher($request->date, "Irrecoverable: {$request->ground->words()}", $lines), $settlement);
        foreach ($debts as $place => $debt) {
            $item = $debt->item;
            $head = ItemHead::credit("{$item->document}-B", Kind::WriteOff, $item->head->account, $request->date, $item->document);
            $loss = $plan->newItem($head, $debt->amount, $shares[$place]->base(), $voucher);
            $plan->match($request->date, $item, $loss, MatchedAmounts::even($debt->amount, $shares[$place]->base()), $settlement);
            $plan->fact(new DebtWrittenOff($loss->ref, $item->ref, $request->ground, $request->evidence, $request->taxOn, $shares[$place]));
        }
        $plan->trail('write off as irrecoverable', Subject::settlement($settlement), $request->evidence, [
            'customer' => $customer->number,
            'ground' => $request->ground->value,
            'documents' => implode(' ', array_map(static fn (LostDebt $debt): string => $debt->item->document, $debts)),
        ]);

        return $plan->build(Subject::settlement($settlement));
    }

    /** @throws Refusal when tax of unknown lines is asked for */
    private static function share(LostDebt $debt, bool $takesTax, Money $ofCustomer): WriteOff
    {
        $base = $debt->item->moves($debt->amount);
        if ($takesTax && $debt->lines === []) {
            throw new Refusal(
                "The lines of {$debt->item->document} are not in the books (item_lines.csv), so that the tax within it is not known. "
                    .'Write it off without tax, or hand them in.',
            );
        }
        $tax = Money::ofMinor($takesTax ? TaxRelief::within($base->minor, $debt->lines) : 0, $base->currency);
        $net = $base->minus($tax);
        $used = Money::least($net, $debt->allowance->plus($ofCustomer));

        return new WriteOff($used, $net->minus($used), $tax);
    }

    /** @throws Refusal */
    private static function refuse(LostDebt $debt, string $date): void
    {
        $item = $debt->item;
        if (! $item->isDebit() || $item->kind->correctsBaseOnly()) {
            throw new Refusal("{$item->title()} is nothing that the customer owes.");
        }
        Matching::refuseEarlier($item, $date);
        if (! $debt->amount->isPositive() || $debt->amount->isMoreThan($item->takeable)) {
            throw new Refusal(
                "{$item->title()}: {$debt->amount->grouped()} was to be written off; an amount above zero and at most "
                    ."{$item->takeable->grouped()} is expected.",
            );
        }
    }

    /** @return list<VoucherLine> */
    private function lines(Customer $customer, LostDebt $debt, WriteOff $share): array
    {
        [$document, $text] = [$debt->item->document, "Irrecoverable {$debt->item->document}"];
        $foreign = $debt->amount->isIn($share->cost->currency) ? null : $debt->amount->negated();
        $lines = [];
        $roles = [
            [
                AccountRole::Allowance,
                $share->fromAllowance,
            ], [AccountRole::ImpairmentLoss, $share->cost], [AccountRole::OutputTax, $share->tax],
        ];
        foreach ($roles as [$role, $amount]) {
            if (! $amount->isZero()) {
                $lines[] = new VoucherLine($this->accounts->withRole($role), $amount, $text, $document, $customer->number);
            }
        }
        $lines[] = new VoucherLine($this->control, $share->base()->negated(), $text, $document, $customer->number, $foreign);

        return $lines;
    }

    /**
     * What was lost comes after all: it is written back on the customer, so that the receipt can be matched with it.
     *
     * @param Recovery $recovery what of which write-off
     *
     * @throws Refusal when it is more than is left of it, or the day is locked
     */
    public function recover(Customer $customer, Recovery $recovery, string $date): PostingPlan
    {
        $this->locked->refuse($date, 'The recovery');
        if (! $recovery->amount->isPositive() || $recovery->amount->isMoreThan($recovery->left)) {
            throw new Refusal(
                "{$recovery->amount->grouped()} was to be written back of {$recovery->document}; an amount above zero and at most "
                    ."{$recovery->left->grouped()} is expected.",
            );
        }
        [$base, $tax] = $recovery->worth();
        $text = "Recovered after write-off: {$recovery->document}";
        $foreign = $recovery->amount->isIn($base->currency) ? null : $recovery->amount;
        $lines = [new VoucherLine($this->control, $base, $text, $recovery->document, $customer->number, $foreign)];
        foreach ([[$recovery->bore, $base->minus($tax)], [AccountRole::OutputTax, $tax]] as [$role, $amount]) {
            if (! $amount->isZero()) {
                $lines[] = new VoucherLine(
                    $this->accounts->withRole($role),
                    $amount->negated(),
                    $text,
                    $recovery->document,
                    $customer->number,
                );
            }
        }
        $plan = new PlanBuilder;
        $voucher = $plan->voucher(new Voucher($date, $text, $lines));
        $head = ItemHead::debit("{$recovery->document}-R", Kind::WriteBack, $customer->on($this->control->id), $date, $recovery->writeOff);
        $item = $plan->newItem($head, $recovery->amount, $base, $voucher);
        $plan->trail('write back after recovery', Subject::item($item->ref), '', [
            'document' => $recovery->document, 'amount' => $recovery->amount->decimal(),
        ]);

        return $plan->build(Subject::item($item->ref));
    }
}
