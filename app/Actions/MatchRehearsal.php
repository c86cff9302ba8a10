<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;

/** A match while it is being put together: what is ticked, what is still to be placed, and the plan once it can be posted. */
final readonly class MatchRehearsal
{
    /**
     * @param list<Tick> $ticks
     * @param ?Money $remainder debits less credits, discounts and deductions; null while nothing is ticked
     * @param ?string $refusal why it cannot be posted as it stands
     * @param list<Voucher> $vouchers all that posting would write
     */
    public function __construct(public array $ticks, public ?Money $remainder, public ?MatchPlan $plan, public ?string $refusal, public array $vouchers = []) {}

    /** Names what the plan would write, so that posting can tell whether the books have moved since. */
    public function digest(): string
    {
        $ticked = array_column(array_map(static fn (Tick $tick): array => [$tick->item->id, true], $this->ticks), 1, 0);
        // What the match itself makes has no number yet.
        $name = static fn (OpenItem $item): string => isset($ticked[$item->id]) ? (string) $item->id : $item->title();
        $pairs = array_map(static fn ($match): string => "{$name($match->debit)}:{$name($match->credit)}:{$match->amount->minor}:{$match->debitBase->minor}:{$match->creditBase->minor}", $this->plan->matches ?? []);

        return hash('sha256', ($this->plan->date ?? '').implode(' ', $pairs));
    }
}
