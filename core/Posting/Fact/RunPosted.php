<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunLine;
use Ajuste\Core\Run\RunPlan;

/** One execution of a closing rule over many items, posted and reversible as one. */
final readonly class RunPosted implements Fact
{
    /**
     * @param string $policy the policy that it followed, in words
     * @param list<RunLine> $lines
     * @param list<LeftOut> $leftOut what it left out, each with the one reason
     */
    private function __construct(
        public RunKind $kind,
        public int $controlAccountId,
        public string $asOf,
        public string $policy,
        public Money $total,
        public array $lines,
        public array $leftOut = [],
    ) {}

    /** A run that a person looked at line by line, what it leaves out too. */
    public static function of(RunPlan $run): self
    {
        $lines = array_map(static fn (PlannedLine $line): RunLine => $line->asRunLine(), $run->lines());

        return new self($run->kind(), $run->control()->id, $run->asOf(), $run->policy(), $run->total(), $lines, $run->leftOut());
    }

    /**
     * Matches of one day together.
     *
     * @param list<RunLine> $lines
     */
    public static function ofMatches(Account $control, string $asOf, Money $nil, array $lines): self
    {
        return new self(RunKind::MatchUnapplied, $control->id, $asOf, 'certain, and chosen', $nil, $lines);
    }
}
