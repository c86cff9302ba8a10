<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Allowance\Allowances;
use Ajuste\Core\Contra\ContraPlan;
use Ajuste\Core\Contra\Contras;
use Ajuste\Core\Contra\PairChoices;
use Ajuste\Core\Contra\Party;
use Ajuste\Core\Contra\VoucherPer;
use Ajuste\Core\Currency\ClosingRate;
use Ajuste\Core\Currency\CurrencyPolicy;
use Ajuste\Core\Currency\Revaluation;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Presentation\CreditBalancePolicy;
use Ajuste\Core\Presentation\CreditBalances;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Residue\ResiduePlan;
use Ajuste\Core\Residue\ResiduePolicy;
use Ajuste\Core\Residue\Residues;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Queries\AllowanceBook;
use App\Queries\ContraPairs;
use App\Queries\CreditStandings;
use App\Queries\ForeignItems;
use App\Queries\Rates;
use App\Queries\ResidueCandidates;
use App\Queries\RunDecisions;
use App\Queries\Settings;

/** The plan of each closing run from the books as they are: the one place where a station names its rule. */
final readonly class RunPlans
{
    public function __construct(
        private Settings $settings,
        private RunDecisions $decisions,
        private ResidueCandidates $residues,
        private ContraPairs $pairs,
        private ForeignItems $foreign,
        private Rates $rates,
        private AllowanceBook $allowance,
        private CreditStandings $credits,
    ) {}

    /** @throws Refusal when the rule cannot be applied */
    public function of(RunKind $kind, Account $control, string $asOf, RateCheck $check = RateCheck::Ask): RunPlan
    {
        $choices = $this->decisions->choices($kind, $control, $asOf);

        return match ($kind) {
            RunKind::Residues => $this->residues($control, $asOf, $this->residues->policy($asOf)),
            RunKind::Contra => $this->contra($control, $asOf, $this->decisions->ofPairs($control, $asOf)),
            RunKind::Currency => (new Revaluation(
                $this->settings->accounts(),
                $this->settings->base(),
                CurrencyPolicy::from($this->settings->on($asOf)->text(Setting::CurrencyPolicy)),
                $this->settings->calendar(),
            ))->plan($control, $asOf, $this->foreign->of($control, $asOf), $this->closingRates($control, $asOf, $check), $choices),
            RunKind::Allowance => Allowances::plan(
                $this->settings->accounts(),
                $control,
                $asOf,
                $this->allowance->exposures($control, $asOf),
                $this->allowance->basis($asOf),
                $this->allowance->before($asOf),
            ),
            RunKind::CreditBalances => $this->presentation($control, $asOf),
            RunKind::MatchUnapplied => throw new Refusal('This run has a page of its own.'),
        };
    }

    /**
     * By what was decided of pairs, or by other choices to see what they would do.
     *
     * @param ?Party $around only this one, with all that may take of the same items or bills; null: all pairs
     *
     * @throws Refusal when the rule cannot be applied
     */
    public function contra(Account $control, string $asOf, PairChoices $ofPairs, ?Party $around = null): ContraPlan
    {
        return (new Contras($this->settings->accounts(), $this->settings->locked(), $this->settings->base()))->plan(
            $control,
            $asOf,
            $around === null
                ? $this->pairs->of($control, $asOf)
                : $this->pairs->around($control, $asOf, $around->customer->id, $around->supplier->id),
            $this->decisions->choices(RunKind::Contra, $control, $asOf),
            VoucherPer::from($this->settings->on($asOf)->text(Setting::ContraVoucher)),
            $this->pairs->postedOn($asOf),
            $ofPairs,
        );
    }

    /** By a policy of the books, or by another to see what it would do. */
    public function residues(Account $control, string $asOf, ResiduePolicy $policy): ResiduePlan
    {
        $choices = $this->decisions->choices(RunKind::Residues, $control, $asOf);
        $rule = new Residues($this->settings->accounts(), $this->settings->base());

        return $rule->plan($control, $asOf, $this->residues->of($control, $asOf, $policy), $policy, $choices);
    }

    /** @throws Refusal when the day is locked, or an account with a role that is needed is missing */
    private function presentation(Account $control, string $asOf): PresentationPlan
    {
        $policy = CreditBalancePolicy::from($this->settings->on($asOf)->text(Setting::CreditBalances));
        [$standings, $others] = $this->credits->of($control, $asOf, $policy);
        $rule = new CreditBalances(
            $this->settings->accounts(),
            $this->settings->locked(),
            $this->settings->base(),
            $this->settings->calendar(),
        );
        $plan = $rule->plan($control, $asOf, $standings, $policy, $this->settings->on($asOf)->money(Setting::CreditBalanceLimit), $others);

        return $this->credits->besideWhatStands($plan);
    }

    /**
     * @return array<string, ClosingRate> by the currencies of what is open
     *
     * @throws Refusal when one has no rate
     */
    private function closingRates(Account $control, string $asOf, RateCheck $check): array
    {
        $rates = [];
        foreach ($this->foreign->currencies($control, $asOf) as $code) {
            $rate = $this->rates->closing(Currency::of($code), $asOf);
            $rates[$code] = $check === RateCheck::Accept ? new ClosingRate($rate->now) : $rate;
        }

        return $rates;
    }
}
