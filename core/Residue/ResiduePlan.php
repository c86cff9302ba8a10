<?php

declare(strict_types=1);

namespace Ajuste\Core\Residue;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;

/**
 * One voucher for the run (R2): what customers owe to residues written off and the output tax that comes off, what is in their favour to
 * residues written back; each item is settled by a write-off or write-back of what it carries, so that nothing is realised.
 */
final readonly class ResiduePlan implements RunPlan
{
    /**
     * @param list<PlannedLine> $lines
     * @param list<LeftOut> $leftOut
     * @param list<ResidueCandidate> $taken in the order of the lines
     */
    public function __construct(
        private ChartOfAccounts $accounts,
        private Account $control,
        private string $asOf,
        private ResiduePolicy $policy,
        private array $lines,
        private array $leftOut,
        private array $taken,
        private Currency $base,
    ) {}

    public function kind(): RunKind
    {
        return RunKind::Residues;
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
        return $this->policy->words();
    }

    public function lines(): array
    {
        return $this->lines;
    }

    public function isEmpty(): bool
    {
        return $this->lines() === [];
    }

    public function leftOut(): array
    {
        return $this->leftOut;
    }

    public function total(): Money
    {
        return Money::sum(array_map(static fn (PlannedLine $line): Money => $line->base, $this->lines), $this->base);
    }

    /** The output tax that comes off with what customers owe, base currency. */
    public function tax(): Money
    {
        return Money::sum(array_map(static fn (ResidueCandidate $of): Money => $of->tax, $this->taken), $this->base);
    }

    public function addTo(PlanBuilder $plan): void
    {
        $plan->fact(RunPosted::of($this));
        $voucher = $plan->voucher($this->voucher());
        foreach ($this->taken as $of) {
            $this->settle($plan, $of, $voucher);
        }
        $plan->trail(RunKind::Residues->words(), Subject::run(), '', [
            'as_of' => $this->asOf, 'lines' => (string) count($this->lines()), 'total' => $this->total()->decimal(),
        ]);
    }

    private function settle(PlanBuilder $plan, ResidueCandidate $of, int $voucher): void
    {
        $item = $of->item;
        $account = $of->customer->on($this->control->id);
        [$document, $owed] = ["{$item->document}-W", $item->isDebit()];
        $head = $owed
            ? ItemHead::credit($document, Kind::WriteOff, $account, $this->asOf, $item->document)
            : ItemHead::debit($document, Kind::WriteBack, $account, $this->asOf, $item->document);
        $residue = $plan->newItem($head, $item->open, $item->carried(), $voucher);
        [$debit, $credit] = $owed ? [$item, $residue] : [$residue, $item];
        $settlement = $plan->settlement($of->customer->id, $this->asOf);
        $plan->match($this->asOf, $debit, $credit, MatchedAmounts::even($item->open, $item->carried()), $settlement);
    }

    private function voucher(): Voucher
    {
        $lines = [];
        $sums = ['off' => Money::zero($this->base), 'tax' => Money::zero($this->base), 'back' => Money::zero($this->base)];
        foreach ($this->taken as $of) {
            $carried = $of->item->signed($of->item->carried());
            $text = $of->item->isDebit() ? 'Residue written off' : 'Residue written back';
            $foreign = $of->item->open->isIn($this->base) ? null : $of->item->signed($of->item->open)->negated();
            if (! $carried->isZero()) {
                [$off, $document] = [$carried->negated(), $of->item->document];
                $lines[] = new VoucherLine($this->control, $off, $text, $document, $of->customer->number, $foreign);
            }
            if ($of->item->isDebit()) {
                $sums['off'] = $sums['off']->plus($carried)->minus($of->tax);
                $sums['tax'] = $sums['tax']->plus($of->tax);
            } else {
                $sums['back'] = $sums['back']->plus($carried);
            }
        }
        $roles = [
            'off' => AccountRole::ResiduesWrittenOff, 'tax' => AccountRole::OutputTax, 'back' => AccountRole::ResiduesWrittenBack,
        ];
        foreach ($sums as $name => $sum) {
            if (! $sum->isZero()) {
                $lines[] = new VoucherLine($this->accounts->withRole($roles[$name]), $sum, "Residues as of {$this->asOf}");
            }
        }
        assert($lines !== []);

        return new Voucher($this->asOf, "Residues written off as of {$this->asOf}", $lines);
    }
}
