<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Posting\Fact\RunReversed;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Reversal;

/**
 * Takes a run back as one: what it matched is undone, then its vouchers go back with the items that they brought. On the chosen day, else
 * on its own or the first open one after it (R13); where the run has a mirror each on its own day, which must be open, so that no day
 * shows half of it (R10).
 */
final readonly class RunReversal
{
    public function __construct(private LockedDays $locked) {}

    /**
     * @param ?string $date for the settlements; null: each on its own day, or the first open one after it
     *
     * @throws Refusal when a day is locked, or before what is taken back
     */
    public function add(PlanBuilder $plan, StandingRun $run, ?string $date, string $reason): void
    {
        $reversal = new Reversal($this->locked);
        foreach ($run->settlements as $chain) {
            $last = $chain[count($chain) - 1] ?? null;
            $reversal->settlements($plan, $chain, $date ?? $this->locked->firstOpenFrom($last->date ?? ''), $reason);
        }
        foreach ($run->givenBack as $of) {
            $day = $this->locked->firstOpenFrom(max($date ?? '', $of->lastDay()));
            $reversal->matches($plan, $of->matches, $day, $reason);
            if ($of->voucher !== null) {
                $reversal->voucher($plan, $of->voucher, $day, $reason);
            }
        }
        foreach ($run->vouchers as $voucher) {
            $own = $voucher->voucher->date;
            $day = $run->hasMirror() ? $own : $this->locked->firstOpenFrom($date ?? $own);
            $this->locked->refuse($day, "The reversal of {$voucher->number}");
            $reversal->voucher($plan, $voucher, $day, $reason);
        }
        $plan->fact(new RunReversed($run->id, $reason));
        $plan->trail('reverse run', Subject::of(SubjectKind::Run, $run->id), $reason);
    }
}
