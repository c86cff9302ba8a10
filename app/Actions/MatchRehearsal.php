<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\Tick;

/** A match while it is being put together: what is ticked, what is still to be placed, and the plan once it can be posted. */
final readonly class MatchRehearsal
{
    /**
     * @param list<Tick> $ticks
     * @param ?Money $remainder debits less credits; null while nothing is ticked
     * @param ?string $refusal why it cannot be posted as it stands
     */
    public function __construct(public array $ticks, public ?Money $remainder, public ?MatchPlan $plan, public ?string $refusal) {}

    /** Names what the plan would write, so that posting can tell whether the books have moved since. */
    public function digest(): string
    {
        $pairs = array_map(static fn ($match): string => "{$match->debit->id}:{$match->credit->id}:{$match->amount->minor}:{$match->debitBase->minor}:{$match->creditBase->minor}", $this->plan->matches ?? []);

        return hash('sha256', ($this->plan->date ?? '').implode(' ', $pairs));
    }
}
