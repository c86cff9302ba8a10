<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;

/**
 * What the ledger has in another period is accrued at the day of the proof and taken back on the day after by its mirror (R2, R12). Both
 * bear the document, so that they make no cause of their own, then or when the late posting comes.
 */
final readonly class Accrual
{
    public function __construct(private LockedDays $locked, private Currency $base) {}

    /** Whether the other side is of another period, or still to come. */
    public static function fits(CauseLine $cause): bool
    {
        return $cause->document() !== '' && in_array($cause->cause, [Cause::CutOff, Cause::NotInLedger, Cause::NotInSubledger], true);
    }

    /**
     * @param list<CounterLine> $against the other accounts; they come to the cause's amount the other way round
     * @param string $asOf day of the proof, on which it takes effect
     *
     * @throws Refusal when an accrual does not fit, a day is locked, or the accounts do not come to the amount
     */
    public function plan(CauseLine $cause, Account $control, array $against, string $asOf): PostingPlan
    {
        if (! self::fits($cause)) {
            throw new Refusal(
                'An accrual is for what the ledger has in another period. Correct the ledger, or carry the cause with a reason.',
            );
        }
        $this->locked->refuse($asOf, 'The accrual');
        $text = "Accrual: {$cause->document()}";
        $correction = new LedgerCorrection($this->locked, $this->base);
        $plan = new PlanBuilder;
        $plan->correctsOneSide();
        $accrual = $plan->voucher($correction->against($cause, $control, $against, $asOf, $text));
        $plan->mirrorOf($accrual, Day::plus($asOf, 1), "{$text}, taken back");
        $plan->trail('accrue', Subject::voucher($accrual), $cause->note, [
            'cause' => $cause->cause->value,
            'document' => $cause->document(),
            'amount' => Money::ofMinor($cause->amount, $this->base)->decimal(),
        ]);

        return $plan->build(Subject::voucher($accrual));
    }
}
