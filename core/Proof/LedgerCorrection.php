<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;

/** The voucher that puts the ledger right where it, and not the customer's document, is wrong (R12). */
final readonly class LedgerCorrection
{
    public function __construct(private LockedDays $locked, private Currency $base) {}

    /**
     * Whether a voucher can mend the cause. It finds what it mends by its document; balances brought forward and entries of another
     * period are mended by time or at the source.
     */
    public static function fits(CauseLine $cause): bool
    {
        return $cause->document() !== '' &&
            match ($cause->cause) {
                Cause::OpeningDifference, Cause::CutOff, Cause::DuplicateInSubledger => false,
                default => true,
            };
    }

    /**
     * What leads from the control account towards the customers goes onto the control account, the other way onto the counter account.
     *
     * @param string $date day on which the voucher takes effect
     *
     * @throws Refusal when a voucher does not fit, the day is locked, or the counter account is the control account
     */
    public function voucher(CauseLine $cause, Account $control, Account $counter, string $date): Voucher
    {
        if (! self::fits($cause)) {
            throw new Refusal('A voucher does not mend this cause. Carry it with a reason, or have it mended at the source.');
        }
        if ($control->id === $counter->id) {
            throw new Refusal("{$control->title()} is the control account itself. Choose the account on the other side.");
        }
        $this->locked->refuse($date, 'The correction');
        $amount = Money::ofMinor($cause->amount, $this->base);
        $text = "{$cause->cause->words()}: {$cause->document()}";

        return new Voucher($date, $text, [
            new VoucherLine($control, $amount, $text, $cause->document(), $cause->customer()),
            new VoucherLine($counter, $amount->negated(), $text, $cause->document(), $cause->customer()),
        ]);
    }

    /** @throws Refusal as voucher() */
    public function plan(CauseLine $cause, Account $control, Account $counter, string $date): PostingPlan
    {
        $plan = new PlanBuilder();
        $plan->correctsOneSide();
        $voucher = $plan->voucher($this->voucher($cause, $control, $counter, $date));
        $plan->trail('correct the ledger', Subject::voucher($voucher), $cause->note, [
            'cause' => $cause->cause->value,
            'document' => $cause->document(),
            'amount' => Money::ofMinor($cause->amount, $this->base)->decimal(),
        ]);

        return $plan->build(Subject::voucher($voucher));
    }
}
