<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Contra\Contras;
use Ajuste\Core\Contra\VoucherPer;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use Ajuste\Core\Residue\Residues;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Queries\ContraPairs;
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
    ) {}

    /** @throws Refusal when the rule cannot be applied */
    public function of(RunKind $kind, Account $control, string $asOf): RunPlan
    {
        $choices = $this->decisions->choices($kind, $control, $asOf);

        return match ($kind) {
            RunKind::Residues => (new Residues($this->settings->accounts(), $this->settings->base()))->plan(
                $control, $asOf, $this->residues->of($control, $asOf), $this->residues->policy(), $choices,
            ),
            RunKind::Contra => (new Contras($this->settings->accounts(), $this->settings->locked(), $this->settings->base()))->plan(
                $control,
                $asOf,
                $this->pairs->of($control, $asOf),
                $choices,
                VoucherPer::from($this->settings->text(Setting::ContraVoucher)),
                $this->pairs->postedOn($asOf),
            ),
            default => throw new Refusal('This run has a page of its own.'),
        };
    }
}
