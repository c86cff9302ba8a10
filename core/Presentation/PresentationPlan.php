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
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunLine;

/** What the reclassification would post. Amounts are base currency. */
final readonly class PresentationPlan
{
    /**
     * @param list<PresentedCredit> $lines
     * @param list<PresentedCredit> $left below the limit
     * @param ?Voucher $voucher null when nothing is presented
     * @param ?Voucher $mirror of day one of the next period
     */
    public function __construct(
        public Account $control,
        public string $asOf,
        public CreditBalancePolicy $policy,
        public array $lines,
        public array $left,
        public BalanceSides $balances,
        public ?Voucher $voucher,
        public ?Voucher $mirror,
    ) {}

    public function total(): Money
    {
        return Money::sum(
            array_map(static fn (PresentedCredit $line): Money => $line->base, $this->lines),
            $this->balances->debit->currency,
        );
    }

    /** The control account's balance, as the items add it up. */
    public function net(): Money
    {
        return $this->balances->debit->minus($this->balances->credit);
    }

    /** Receivables on the balance sheet afterwards: control plus presentation. */
    public function receivablesAfter(): Money
    {
        return $this->net()->plus($this->total());
    }

    /** @return list<RunLine> */
    public function runLines(): array
    {
        return array_map(static fn (PresentedCredit $line): RunLine => $line->asRunLine(), $this->lines);
    }

    /** Voucher and mirror as one run; nothing where nobody is in credit. */
    public function addTo(PlanBuilder $plan): void
    {
        if ($this->voucher === null || $this->mirror === null) {
            return;
        }
        $plan->voucher($this->voucher);
        $plan->voucher($this->mirror);
        $plan->fact(
            new RunPosted(
                RunKind::CreditBalances,
                $this->control->id,
                $this->asOf,
                $this->policy->value,
                $this->total(),
                $this->runLines(),
            ),
        );
        $plan->trail(RunKind::CreditBalances->words(), Subject::run(), '', [
            'as_of' => $this->asOf,
            'account' => $this->control->number,
            'total' => $this->total()->decimal(),
        ]);
    }
}
