<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Allowance\AllowancePlan;
use Ajuste\Core\Allowance\SpecificLine;
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
        $lines = $plan->lines();
        foreach ($lines as $line) {
            if ($line->takenAlong) {
                return "{$line->document} is taken along although the policy leaves it out";
            }
            if ($limit !== null && $line->base->abs()->isMoreThan($limit)) {
                return "{$line->document}, {$line->base->abs()->grouped()}, is above the limit of {$limit->grouped()}";
            }
        }
        $amounts = array_map(static fn (PlannedLine $line): Money => $line->base, $lines);

        return self::above($amounts, $limit, 'the run', $plan->total());
    }

    /**
     * Why an allowance needs one, or blank: what stands specifically in it is above the limit.
     *
     * @param ?Money $limit base currency; null: the signatures are enough
     */
    public static function ofSpecific(AllowancePlan $plan, ?Money $limit): string
    {
        $amounts = array_map(static fn (SpecificLine $line): Money => $line->amount, $plan->specific);

        return self::above($amounts, $limit, 'what is allowed for by name');
    }

    /**
     * Why what comes to these amounts needs one, or blank: together, whatever their sides, they are above the limit.
     *
     * @param list<Money> $amounts base currency
     * @param ?Money $limit base currency; null: the signatures are enough
     * @param string $what in words, for the reason
     * @param ?Money $total base currency, where more than the amounts is known of it
     */
    public static function above(array $amounts, ?Money $limit, string $what, ?Money $total = null): string
    {
        if ($limit === null) {
            return '';
        }
        $sum = Money::sum(array_map(static fn (Money $amount): Money => $amount->abs(), $amounts), $limit->currency);
        $sum = $total === null ? $sum : Money::most($sum, $total->abs());

        return $sum->isMoreThan($limit) ? "{$what} comes to {$sum->grouped()}, above the limit of {$limit->grouped()}" : '';
    }
}
