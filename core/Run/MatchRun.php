<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\RunPosted;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\Tick;

/** Matches what is proposed for unapplied credits, each as a settlement of its own, posted and reversible as one. */
final readonly class MatchRun
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Currency $base) {}

    /**
     * @param list<ProposedMatch> $matches those that a person wants
     *
     * @throws Refusal when nothing is chosen, or one of them cannot be matched
     */
    public function plan(Account $control, string $asOf, array $matches): PostingPlan
    {
        if ($matches === []) {
            throw new Refusal('Nothing is chosen. There is nothing to post.');
        }
        $plan = new PlanBuilder();
        $lines = [];
        foreach ($matches as $match) {
            try {
                $matched = $this->matched($match);
                $matched->addTo($plan, $plan->settlement($match->customer->id, $matched->date));
            } catch (Refusal $refusal) {
                throw $refusal->behind("Nothing is posted. {$match->customer->name}, {$match->credit->title()}:");
            }
            $lines[] = new RunLine(
                $match->customer->id,
                $match->credit->id,
                $matched->settled,
                Money::zero($this->base),
                $match->how->value,
            );
        }
        $plan->fact(RunPosted::ofMatches($control, $asOf, Money::zero($this->base), $lines));
        $plan->trail(RunKind::MatchUnapplied->words(), Subject::run(), '', ['as_of' => $asOf, 'matches' => (string) count($lines)]);

        return $plan->build(Subject::run());
    }

    private function matched(ProposedMatch $match): MatchPlan
    {
        $matching = new Matching($this->accounts, $this->locked);
        $items = [$match->credit, ...$match->settles];
        $ticks = array_values(array_filter($matching->fill($items, []), static fn (Tick $tick): bool => $tick->amount->isPositive()));
        if ($ticks === []) {
            throw Refusal::changed('it has nothing open any more.');
        }

        return $matching->plan(
            $ticks,
            $matching->earliestDate(array_map(static fn (Tick $tick) => $tick->item, $ticks)),
            $match->customer->number,
        );
    }
}
