<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\BalanceSides;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunLine;
use Ajuste\Core\Run\RunPlan;

/** What the reclassification would post: a voucher, and its mirror on day one of the next period. Amounts are base currency. */
final readonly class PresentationPlan implements RunPlan
{
    /**
     * @param list<PresentedCredit> $presented
     * @param list<PresentedCredit> $left below the limit
     * @param ?Voucher $voucher null when nothing is presented
     * @param ?Voucher $mirror of day one of the next period
     * @param ?int $presentedBy the run that stands and presents exactly these credits; nothing is left to post then
     * @param ?int $outOfDate the run of this day that stands and presents others
     */
    public function __construct(
        private PresentationTerms $terms,
        public array $presented,
        private array $left,
        public BalanceSides $balances,
        public ?Voucher $voucher,
        public ?Voucher $mirror,
        public ?int $presentedBy = null,
        public ?int $outOfDate = null,
    ) {}

    /** The same beside the run of the day that stands. */
    public function beside(int $run, bool $says): self
    {
        return new self(
            $this->terms,
            $this->presented,
            $this->left,
            $this->balances,
            $this->voucher,
            $this->mirror,
            $says ? $run : null,
            $says ? null : $run,
        );
    }

    public function kind(): RunKind
    {
        return RunKind::CreditBalances;
    }

    public function control(): Account
    {
        return $this->terms->control;
    }

    public function asOf(): string
    {
        return $this->terms->asOf;
    }

    public function policy(): string
    {
        return $this->terms->policy->words();
    }

    public function lines(): array
    {
        $toPresent = $this->presentedBy !== null ? [] : $this->presented;

        return array_map(static fn (PresentedCredit $of): PlannedLine => $of->planned(), $toPresent);
    }

    public function leftOut(): array
    {
        $already = $this->presentedBy === null ? [] : array_map(
            fn (PresentedCredit $of): LeftOut => $of->leftOut("presented already by run {$this->presentedBy}"),
            $this->presented,
        );

        return [...array_map(static fn (PresentedCredit $of): LeftOut => $of->leftOut($of->why), $this->left), ...$already];
    }

    public function isEmpty(): bool
    {
        return $this->presentedBy !== null || $this->voucher === null;
    }

    /** What is to be presented, above zero; nil where a run presents it already. */
    public function total(): Money
    {
        return $this->presentedBy !== null ? Money::zero($this->balances->debit->currency) : $this->liability();
    }

    /** What customers in credit come to on the balance sheet, by this run or the one that stands. */
    public function liability(): Money
    {
        return Money::sum(
            array_map(static fn (PresentedCredit $of): Money => $of->base, $this->presented),
            $this->balances->debit->currency,
        );
    }

    /** The control account's balance, as the items add it up. */
    public function net(): Money
    {
        return $this->balances->debit->minus($this->balances->credit);
    }

    /**
     * Receivables on the balance sheet afterwards: control plus presentation.
     *
     * @param Money $control what the ledger has on the control account
     */
    public function receivablesAfter(Money $control): Money
    {
        return $control->plus($this->liability());
    }

    /** @return list<RunLine> what a run that presents these credits has */
    public function runLines(): array
    {
        return array_map(static fn (PresentedCredit $of): RunLine => $of->asRunLine(), $this->presented);
    }

    public function addTo(PlanBuilder $plan): void
    {
        if ($this->voucher === null || $this->mirror === null) {
            throw new Refusal("No customer of {$this->control()->number} is in credit as of {$this->asOf()}. There is nothing to post.");
        }
        $plan->voucher($this->voucher);
        $plan->voucher($this->mirror);
        $plan->fact(RunPosted::of($this));
        $plan->trail($this->kind()->words(), Subject::run(), '', [
            'as_of' => $this->asOf(),
            'account' => $this->control()->number,
            'total' => $this->liability()->decimal(),
        ]);
    }
}
