<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\NewItem;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/** What matching some items comes to: the pairs, and the exchange differences that they realise. */
final readonly class MatchPlan
{
    /**
     * @param list<Tick> $ticks
     * @param list<ItemMatch> $matches
     * @param list<ExchangeDifference> $differences
     * @param ?Voucher $voucher for the exchange differences; null when there are none
     * @param list<string> $warnings
     */
    public function __construct(
        public string $date,
        public array $ticks,
        public array $matches,
        public array $differences,
        public ?Voucher $voucher,
        public array $warnings,
        public Money $settled,
    ) {}

    /** @param  int  $settlement place of the settlement that it belongs to */
    public function addTo(PlanBuilder $plan, int $settlement): void
    {
        foreach ($this->matches as $match) {
            $plan->match(
                $this->date,
                $match->debit,
                $match->credit,
                new MatchedAmounts($match->amount, $match->debitBase, $match->creditBase),
                $settlement,
            );
        }
        if ($this->voucher !== null) {
            $voucher = $plan->voucher($this->voucher, $settlement);
            foreach ($this->differences as $difference) {
                $this->addDifference($plan, $difference, $voucher, $settlement);
            }
        }
        $plan->warn(...$this->warnings);
        $plan->trail('match', Subject::settlement($settlement), '', [
            'date' => $this->date,
            'settled' => $this->settled->decimal(),
            'documents' => implode(' ', array_map(static fn (Tick $tick): string => $tick->item->document, $this->ticks)),
        ]);
    }

    /** The realised difference is an item that corrects base only, and is used up by the match that caused it (R1, R9). */
    private function addDifference(PlanBuilder $plan, ExchangeDifference $difference, int $voucher, int $settlement): void
    {
        [$debit, $credit, $base] = [$difference->match->debit, $difference->match->credit, $difference->base];
        $side = Side::ofSign($base->minor);
        $head = new ItemHead(
            $debit->document,
            Kind::ExchangeDifference,
            $side,
            $debit->head->account,
            $this->date,
            $this->date,
            $debit->document,
        );
        $nil = Money::zero($debit->amount->currency);
        $item = $plan->item(new NewItem($head, $nil, $base->abs(), $voucher, corrects: $debit->ref));
        $none = Money::zero($base->currency);
        $side === Side::Debit
            ? $plan->match($this->date, $item, $credit, new MatchedAmounts($nil, $base, $none), $settlement)
            : $plan->match($this->date, $debit, $item, new MatchedAmounts($nil, $none, $base->negated()), $settlement);
    }

    /** @return list<OpenItem> the items that it ties together */
    public function items(): array
    {
        return array_map(static fn (Tick $tick): OpenItem => $tick->item, $this->ticks);
    }
}
