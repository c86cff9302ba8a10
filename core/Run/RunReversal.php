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
 * Takes a run back as one. Vouchers of the run go back each on its own day, which must be open, so that no day shows half of it (R10); its
 * settlements on the chosen day, else each on its own or the first open one after it (R13).
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
        foreach ($run->vouchers as $voucher) {
            $this->locked->refuse($voucher->voucher->date, "The reversal of {$voucher->number}");
            $plan->mirror($voucher, $voucher->voucher->date);
        }
        $reversal = new Reversal($this->locked);
        foreach ($run->settlements as $chain) {
            $last = $chain[count($chain) - 1] ?? null;
            $reversal->settlements($plan, $chain, $date ?? $this->locked->firstOpenFrom($last->date ?? ''), $reason);
        }
        $plan->fact(new RunReversed($run->id, $reason));
        $plan->trail('reverse run', Subject::of(SubjectKind::Run, $run->id), $reason);
    }
}
