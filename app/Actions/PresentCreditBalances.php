<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Presentation\CreditBalancePolicy;
use Ajuste\Core\Presentation\CreditBalances;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Presentation\Standing as CustomerStanding;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunReversal;
use Ajuste\Core\Subledger\Customer;
use App\Actions\Posting\PostPlan;
use App\Models\Run;
use App\Queries\Positions;
use App\Queries\Runs;
use App\Queries\Settings;
use App\Queries\Standing;
use App\Support\CustomerValues;
use Generator;

/**
 * Shows customers in credit as a liability: one run, with its day-one reversal, posted and reversible together (R10).
 *
 * @phpstan-type Row array{int, string, string, int, string, string, int, int, bool}
 */
final readonly class PresentCreditBalances
{
    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private Runs $runs,
        private Standing $standing,
        private PostPlan $posting,
    ) {}

    /** @throws Refusal */
    public function plan(Account $account, string $asOf): PresentationPlan
    {
        $policy = CreditBalancePolicy::from($this->settings->text(Setting::CreditBalances));
        [$standings, $others] = $this->standings($account, $asOf, $policy);
        $rule = new CreditBalances(
            $this->settings->accounts(),
            $this->settings->locked(),
            $this->settings->base(),
            $this->settings->calendar(),
        );

        return $rule->plan($account, $asOf, $standings, $policy, $this->settings->money(Setting::CreditBalanceLimit), $others);
    }

    /**
     * What customers of whom anything is in credit carry as of the day, and the balance of all others, who owe.
     *
     * @return array{list<CustomerStanding>, Money}
     */
    private function standings(Account $account, string $asOf, CreditBalancePolicy $policy): array
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
                $standings[] = new CustomerStanding($customer, $item, $document, Currency::of($currency), $amount, $base, $credit);
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
        foreach (CustomerStanding::merged($items, $policy) as $standing) {
            $of[$standing->customer->id][] = $standing;
        }
        foreach ($of as $id => $standings) {
            $owes = CustomerStanding::owed($standings);
            yield $id => $owes === null ? [0, array_map(self::row(...), $standings)] : [$owes, []];
        }
    }

    /** @return Row */
    private static function row(CustomerStanding $of): array
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

    /** The run of that day that stands, if there is one. */
    public function standing(Account $account, string $asOf): ?Run
    {
        return $this->runs->standing(RunKind::CreditBalances, $account->id, $asOf);
    }

    /** Whether the run still says what the books say; else it is out of date and its station is open again (R13). */
    public function isCurrent(Run $run, PresentationPlan $plan): bool
    {
        return $this->runs->says($run, $plan->runLines());
    }

    /**
     * Posts the run. One of the same day that stands and is out of date is reversed and replaced.
     *
     * @return int the run's number
     *
     * @throws Refusal when there is nothing to post, or the run stands already
     */
    public function post(string $key, Account $account, string $asOf): int
    {
        return $this->posting->post($key, fn (): PostingPlan => $this->posting($account, $asOf));
    }

    private function posting(Account $account, string $asOf): PostingPlan
    {
        $plan = $this->plan($account, $asOf);
        $standing = $this->standing($account, $asOf);
        $builder = new PlanBuilder();
        if ($standing !== null) {
            if ($this->isCurrent($standing, $plan)) {
                throw Refusal::done(
                    "The credit balances of {$asOf} are presented already, by run {$standing->id}. Reverse it first to post it again.",
                );
            }
            $why = 'Replaced: the balances that it looked at have changed';
            (new RunReversal($this->settings->locked()))->add($builder, $this->standing->run($standing), null, $why);
        }
        $plan->addTo($builder);
        if ($plan->voucher === null && $standing === null) {
            throw new Refusal("No customer of {$account->number} is in credit as of {$asOf}. There is nothing to post.");
        }

        $about = $plan->voucher === null ? Subject::of(SubjectKind::Run, $standing->id) : Subject::run();

        return $builder->build($about);
    }
}
