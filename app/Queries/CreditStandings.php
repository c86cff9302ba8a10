<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Presentation\CreditBalancePolicy;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Presentation\Standing;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Subledger\Customer;
use App\Support\CustomerValues;
use Generator;

/**
 * What customers in credit carry (R10), kept for each customer until something of it moves.
 *
 * @phpstan-type Row array{int, string, string, int, string, string, int, int, bool}
 */
final readonly class CreditStandings
{
    public function __construct(private Settings $settings, private Positions $positions, private Runs $runs) {}

    /** Whether a run of the same day stands, and presents the same. */
    public function besideWhatStands(PresentationPlan $plan): PresentationPlan
    {
        $standing = $this->runs->standing(RunKind::CreditBalances, $plan->control()->id, $plan->asOf());

        return $standing === null ? $plan : $plan->beside($standing->id, $this->runs->says($standing, $plan->runLines()));
    }

    /**
     * What customers of whom anything is in credit carry as of the day, and the balance of all others, who owe.
     *
     * @return array{list<Standing>, Money}
     */
    public function of(Account $account, string $asOf, CreditBalancePolicy $policy): array
    {
        $kept = new CustomerValues(
            "credit balances {$account->id} {$asOf} {$policy->value}",
            ['settings'],
            fn (?array $only): Generator => $this->workOut($account, $asOf, $policy, $only),
            static fn (array $values): array => [array_sum(array_column($values, 0)), array_merge(...array_column($values, 1))],
        );
        $standings = [];
        $others = 0;
        foreach ($kept->summaries() as [$owed, $rows]) {
            $others += $owed;
            foreach ($rows as [$id, $number, $name, $item, $document, $currency, $amount, $base, $credit]) {
                $customer = new Customer($id, $number, $name);
                $standings[] = new Standing($customer, $item, $document, Currency::of($currency), $amount, $base, $credit);
            }
        }

        return [$standings, Money::ofMinor($others, $this->settings->base())];
    }

    /**
     * @param ?list<int> $only null: all customers
     * @return Generator<int, array{int, list<Row>}> what is owed where nothing is in credit, else the standings; by customer id
     */
    private function workOut(Account $account, string $asOf, CreditBalancePolicy $policy, ?array $only): Generator
    {
        $items = $only === [] ? [] : $this->positions->forPresentation($account->id, $asOf, $only);
        $of = [];
        foreach (Standing::merged($items, $policy) as $standing) {
            $of[$standing->customer->id][] = $standing;
        }
        foreach ($of as $id => $standings) {
            $owes = Standing::owed($standings);
            yield $id => $owes === null ? [0, array_map(self::row(...), $standings)] : [$owes, []];
        }
    }

    /** @return Row */
    private static function row(Standing $of): array
    {
        $customer = $of->customer;

        return [
            $customer->id,
            $customer->number,
            $customer->name,
            $of->itemId,
            $of->document,
            $of->currency->code,
            $of->amount,
            $of->base,
            $of->credit,
        ];
    }
}
