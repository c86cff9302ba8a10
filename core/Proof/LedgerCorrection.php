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
    /** Source of a line that belongs to the balances brought forward. */
    private const OPENING = 'opening';

    public function __construct(private LockedDays $locked, private Currency $base) {}

    /**
     * Whether a voucher can mend the cause. It finds what it mends by its document; entries of another period are mended by time, an
     * accrual or at the source.
     */
    public static function fits(CauseLine $cause): bool
    {
        return match ($cause->cause) {
            Cause::OpeningDifference => true,
            Cause::CutOff, Cause::DuplicateInSubledger, Cause::NotNeeded => false,
            default => $cause->document() !== '',
        };
    }

    /**
     * What leads from the control account towards the customers goes onto the control account, the other way onto the other accounts.
     *
     * @param list<CounterLine> $against they come to the cause's amount the other way round
     * @param string $date day on which the voucher takes effect
     *
     * @throws Refusal when a voucher does not fit, the day is locked, or the other accounts do not come to the amount
     */
    public function voucher(CauseLine $cause, Account $control, array $against, string $date): Voucher
    {
        if (! self::fits($cause)) {
            throw new Refusal('A voucher does not mend this cause. Carry it with a reason, or have it mended at the source.');
        }
        $this->locked->refuse($date, 'The correction');

        return $this->against($cause, $control, $against, $date, rtrim("{$cause->cause->words()}: {$cause->document()}", ': '));
    }

    /**
     * The control account by the cause's amount, against other accounts.
     *
     * @param list<CounterLine> $against
     *
     * @throws Refusal when they do not come to the amount, or one of them is the control account
     */
    public function against(CauseLine $cause, Account $control, array $against, string $date, string $text): Voucher
    {
        $amount = Money::ofMinor($cause->amount, $this->base);
        $sum = Money::sum(array_map(static fn (CounterLine $line): Money => $line->base, $against), $this->base);
        if ($against === [] || ! $sum->plus($amount)->isZero()) {
            throw new Refusal("Choose the account on the other side: {$amount->abs()->grouped()} belongs there.");
        }
        $source = $cause->cause === Cause::OpeningDifference ? self::OPENING : '';
        $lines = [];
        foreach ([new CounterLine($control, $amount), ...$against] as $place => $line) {
            if ($place > 0 && $line->account->id === $control->id) {
                throw new Refusal("{$control->title()} is the control account itself. Choose the account on the other side.");
            }
            [$document, $customer] = [$cause->document(), $cause->customer()];
            $lines[] = new VoucherLine($line->account, $line->base, $text, $document, $customer, source: $source);
        }

        return new Voucher($date, $text, $lines);
    }

    /**
     * @param list<CounterLine> $against
     *
     * @throws Refusal as voucher()
     */
    public function plan(CauseLine $cause, Account $control, array $against, string $date): PostingPlan
    {
        $plan = new PlanBuilder;

        return $plan->build(Subject::voucher($this->addTo($plan, $cause, $control, $against, $date)));
    }

    /**
     * @param list<CounterLine> $against
     * @return int place of the voucher in the plan
     *
     * @throws Refusal as voucher()
     */
    public function addTo(PlanBuilder $plan, CauseLine $cause, Account $control, array $against, string $date): int
    {
        $plan->correctsOneSide();
        $voucher = $plan->voucher($this->voucher($cause, $control, $against, $date));
        $plan->trail('correct the ledger', Subject::voucher($voucher), $cause->note, [
            'cause' => $cause->cause->value,
            'document' => $cause->document(),
            'amount' => Money::ofMinor($cause->amount, $this->base)->decimal(),
        ]);

        return $voucher;
    }
}
