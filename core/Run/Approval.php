<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Money\Money;

/** Whether a second person approves a run before it is posted (R13). */
final class Approval
{
    /**
     * Why it needs one, or blank: a line or the total is above the limit, or something was taken along that the policy leaves out.
     *
     * @param ?Money $limit base currency; null: the signatures are enough
     */
    public static function needed(RunPlan $plan, ?Money $limit): string
    {
        foreach ($plan->lines() as $line) {
            if ($line->takenAlong) {
                return "{$line->document} is taken along although the policy leaves it out";
            }
            if ($limit !== null && $line->base->abs()->isMoreThan($limit)) {
                return "{$line->document}, {$line->base->abs()->grouped()}, is above the limit of {$limit->grouped()}";
            }
        }
        $lines = Money::sum(
            array_map(static fn (PlannedLine $line): Money => $line->base->abs(), $plan->lines()),
            $plan->total()->currency,
        );
        $sum = Money::most($lines, $plan->total()->abs());

        return $limit !== null && $sum->isMoreThan($limit)
            ? "the run comes to {$sum->grouped()}, above the limit of {$limit->grouped()}"
            : '';
    }
}
