<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;

/** The entry on the customer's side that puts the subledger right where the ledger is (R12). The control account keeps its balance. */
final readonly class CustomerCorrection
{
    public function __construct(private LockedDays $locked, private Currency $base) {}

    /** Whether an entry with the customer can mend the cause; what is of another period or account is mended otherwise. */
    public static function fits(CauseLine $cause): bool
    {
        return match ($cause->cause) {
            Cause::OpeningDifference, Cause::CutOff, Cause::WrongAccount, Cause::DuplicateInLedger => false,
            default => count($cause->postings) <= 1,
        };
    }

    /** What the customer's account changes by: the difference, the other way round. Base currency, debit-positive. */
    public function amount(CauseLine $cause): Money
    {
        return Money::ofMinor(-$cause->amount, $this->base);
    }

    /** The document under which it finds its counterpart: the cause's own, else the entry's number. */
    public static function document(CauseLine $cause): string
    {
        return $cause->document() !== '' ? $cause->document() : $cause->entry();
    }

    /**
     * The control account against itself: it carries the entry into the journals and changes no balance.
     *
     * @param string $date day on which the entry takes effect
     *
     * @throws Refusal when an entry does not fit, or the day is locked
     */
    public function voucher(CauseLine $cause, Account $control, string $date, string $customer): Voucher
    {
        if (! self::fits($cause)) {
            throw new Refusal(
                'An entry with the customer does not mend this cause. Correct the ledger, carry it with a reason, or have it mended at '
                    .'the source.',
            );
        }
        $this->locked->refuse($date, 'The entry');
        $text = "{$cause->cause->words()}, customer's side: ".self::document($cause);
        $amount = $this->amount($cause);

        return new Voucher($date, $text, [
            new VoucherLine($control, $amount, $text, self::document($cause), $customer),
            new VoucherLine($control, $amount->negated(), $text, self::document($cause)),
        ]);
    }

    /**
     * The voucher, and the adjustment under the cause's document.
     *
     * @throws Refusal as voucher()
     */
    public function plan(CauseLine $cause, Account $control, Customer $customer, string $date): PostingPlan
    {
        $plan = new PlanBuilder();
        $plan->correctsOneSide();
        $voucher = $plan->voucher($this->voucher($cause, $control, $date, $customer->number));
        [$amount, $document] = [$this->amount($cause), self::document($cause)];
        $head = new ItemHead(
            $document,
            Kind::Adjustment,
            Side::ofSign($amount->minor),
            $customer->on($control->id),
            $date,
            $date,
            $document,
        );
        // Without a document it answers the entry that it explains.
        $entry = $cause->document() === '' ? $cause->entry() : '';
        $plan->item(new NewItem($head, $amount->abs(), $amount->abs(), $voucher, entry: $entry));
        $plan->trail("correct the customer's side", Subject::voucher($voucher), $cause->note, [
            'cause' => $cause->cause->value,
            'document' => $document,
            'amount' => $amount->decimal(),
        ]);

        return $plan->build(Subject::voucher($voucher));
    }
}
