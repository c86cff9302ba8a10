<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\AllowancePosted;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;

/** The allowance as it should stand, and one voucher for the change (R2): impairment loss against allowance. */
final readonly class AllowancePlan implements RunPlan
{
    /**
     * @param list<MatrixCell> $matrix
     * @param list<SpecificLine> $specific
     * @param list<LeftOut> $apart related parties without a specific amount
     * @param Money $before base currency, positive
     */
    public function __construct(
        private ChartOfAccounts $accounts,
        private Account $control,
        private string $asOf,
        public AllowanceBasis $basis,
        public array $matrix,
        public array $specific,
        private array $apart,
        public Money $before,
    ) {}

    public function kind(): RunKind
    {
        return RunKind::Allowance;
    }

    public function control(): Account
    {
        return $this->control;
    }

    public function asOf(): string
    {
        return $this->asOf;
    }

    public function policy(): string
    {
        return $this->basis->words();
    }

    public function lines(): array
    {
        return [];
    }

    public function leftOut(): array
    {
        return $this->apart;
    }

    public function after(): Money
    {
        $cells = array_map(static fn (MatrixCell $cell): Money => $cell->allowance, $this->matrix);
        $specific = array_map(static fn (SpecificLine $line): Money => $line->amount, $this->specific);
        $overlays = array_map(static fn (Overlay $overlay): Money => $overlay->amount, $this->basis->overlays);

        return Money::sum([...$cells, ...$specific, ...$overlays], $this->before->currency);
    }

    /** The change: a charge above zero, a release below. */
    public function total(): Money
    {
        return $this->after()->minus($this->before);
    }

    public function isEmpty(): bool
    {
        return $this->total()->isZero();
    }

    public function addTo(PlanBuilder $plan): void
    {
        $change = $this->total();
        $plan->fact(RunPosted::of($this));
        $text = "Allowance as of {$this->asOf}";
        $plan->voucher(new Voucher($this->asOf, $text, [
            new VoucherLine($this->accounts->withRole(AccountRole::ImpairmentLoss), $change, $text),
            new VoucherLine($this->accounts->withRole(AccountRole::Allowance), $change->negated(), $text),
        ]));
        $plan->fact(new AllowancePosted($this->specific));
        $plan->trail(RunKind::Allowance->words(), Subject::run(), '', [
            'as_of' => $this->asOf, 'before' => $this->before->decimal(), 'after' => $this->after()->decimal(),
        ]);
    }
}
