<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\ContraPosted;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;

/**
 * The control account of payables against that of receivables (R2); a credit of the kind contra settles the customer's debits by what they
 * carry, and the difference to what the bills carry is realised.
 */
final readonly class ContraPlan implements RunPlan
{
    /**
     * @param list<Offset> $offsets
     * @param list<LeftOfPair> $left
     */
    public function __construct(
        private ChartOfAccounts $accounts,
        private LockedDays $locked,
        private Account $control,
        private string $asOf,
        private VoucherPer $per,
        public array $offsets,
        public array $left,
        private Currency $base,
    ) {}

    public function kind(): RunKind
    {
        return RunKind::Contra;
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
        return 'as far as the agreements in force allow, oldest due first';
    }

    public function lines(): array
    {
        $lines = [];
        foreach ($this->offsets as $offset) {
            $why = "against {$offset->party->supplier->number} {$offset->party->supplier->name}, {$offset->agreement->reference}";
            foreach ($offset->debits as $part) {
                $base = $part->item->moves($part->amount);
                $lines[] = new PlannedLine($offset->party->customer, $part->item->id, $part->item->document, $part->amount, $base, $why);
            }
        }

        return $lines;
    }

    public function isEmpty(): bool
    {
        return $this->offsets === [];
    }

    public function leftOut(): array
    {
        return array_map(static fn (LeftOfPair $of): LeftOut => new LeftOut(
            $of->party->customer,
            $of->itemId,
            $of->document,
            $of->amount,
            $of->base,
            $of->document === '' ? "{$of->party->supplier->number} {$of->party->supplier->name}: {$of->why}" : $of->why,
            leftByHand: $of->byHand,
        ), $this->left);
    }

    public function total(): Money
    {
        return Money::sum(array_map(static fn (Offset $offset): Money => $offset->carried(), $this->offsets), $this->base);
    }

    public function addTo(PlanBuilder $plan): void
    {
        $plan->fact(RunPosted::of($this));
        $together = $this->per === VoucherPer::Run ? $plan->voucher($this->voucher($this->offsets)) : null;
        foreach ($this->offsets as $offset) {
            $settlement = $this->settleFirst($plan, $offset);
            $this->setOff($plan, $offset, $settlement, $together ?? $plan->voucher($this->voucher([$offset]), $settlement));
        }
        $plan->trail(RunKind::Contra->words(), Subject::run(), '', [
            'as_of' => $this->asOf, 'pairs' => (string) count($this->offsets), 'total' => $this->total()->decimal(),
        ]);
    }

    /**
     * The customer's own credits are matched first.
     *
     * @return int place of the pair's settlement
     */
    private function settleFirst(PlanBuilder $plan, Offset $offset): int
    {
        $settlement = $plan->settlement($offset->party->customer->id, $this->asOf);
        $ticks = array_map(
            static fn (OffsetPart $part): Tick => new Tick($part->item, $part->amount),
            [...$offset->settledFirst, ...$offset->credits],
        );
        if ($offset->credits !== []) {
            $matching = new Matching($this->accounts, $this->locked);
            $matching->plan($ticks, $this->asOf, $offset->party->customer->number)->addTo($plan, $settlement);
        }

        return $settlement;
    }

    private function setOff(PlanBuilder $plan, Offset $offset, int $settlement, int $voucher): void
    {
        $document = $offset->document;
        $head = ItemHead::credit($document, Kind::Contra, $offset->party->customer->on($this->control->id), $this->asOf, $document);
        $contra = $plan->newItem($head, $offset->amount(), $offset->carried(), $voucher);
        foreach ($offset->debits as $part) {
            $base = $part->item->moves($part->amount);
            $plan->match($this->asOf, $part->item, $contra, MatchedAmounts::even($part->amount, $base), $settlement);
        }
        $plan->fact(new ContraPosted($contra->ref, $offset->party->supplier->id, $offset->agreement->reference, $offset->bills));
    }

    /** @param  list<Offset>  $offsets */
    private function voucher(array $offsets): Voucher
    {
        $lines = [];
        $gain = Money::zero($this->base);
        foreach ($offsets as $offset) {
            $document = $offset->document;
            [$customer, $supplier] = [$offset->party->customer, $offset->party->supplier];
            $text = "Contra {$customer->number} with {$supplier->number}, {$offset->agreement->reference}";
            $owing = Money::sum(array_map(static fn (BillPart $part): Money => $part->base, $offset->bills), $this->base);
            $owed = $offset->carried();
            $foreign = $offset->amount()->isIn($this->base) ? null : $offset->amount();
            $lines[] = new VoucherLine($supplier->payables, $owing, $text, $document, '', $foreign, $supplier->number);
            $lines[] = new VoucherLine($this->control, $owed->negated(), $text, $document, $customer->number, $foreign?->negated());
            $gain = $gain->plus($owing)->minus($owed);
        }
        if (! $gain->isZero()) {
            $role = $gain->isPositive() ? AccountRole::ExchangeRealisedGain : AccountRole::ExchangeRealisedLoss;
            $lines[] = new VoucherLine($this->accounts->withRole($role), $gain->negated(), "Contra as of {$this->asOf}");
        }
        assert($lines !== []);

        return new Voucher($this->asOf, "Contra as of {$this->asOf}", $lines);
    }
}
