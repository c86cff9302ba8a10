<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Currency\CurrencyPlan;
use Ajuste\Core\Currency\Revalued;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Http\Pictures\RatePicture;
use App\Queries\AllowanceMovements;
use App\Queries\Block;
use App\Queries\Blocks;
use App\Queries\ControlFigures;
use App\Queries\Parties;
use App\Queries\Payables;
use App\Queries\Rates;
use App\Queries\ShortPayers;

/** What the page of one kind of run shows beside what all of them show. */
final readonly class BesideRun
{
    public function __construct(
        private Payables $payables,
        private Parties $parties,
        private ControlFigures $figures,
        private ShortPayers $shortPayers,
        private Blocks $blocks,
        private WhatIfResidues $whatIf,
        private Rates $rates,
        private AllowanceMovements $allowance,
    ) {}

    /**
     * @param array<array-key, mixed> $typed
     * @return array<string, mixed>
     */
    public function of(RunPlan $run, array $typed): array
    {
        $blocks = $this->blocks->standing($run->kind());

        return ['blocks' => $blocks] + match ($run->kind()) {
            RunKind::Contra => [
                'likely' => count($this->parties->likely()),
                'payables' => $this->payables->figures($run->asOf()),
            ],
            RunKind::Residues => [
                'shortPayers' => $this->shortPayers->of($run->control(), $run->asOf()),
                'blocked' => array_map(static fn (Block $block): int => $block->customer->id, array_values($blocks)),
                'whatIf' => $this->whatIf->of($run, $typed),
            ],
            RunKind::Allowance => ['movement' => $this->allowance->of($run->asOf())],
            RunKind::CreditBalances => ['figures' => $this->figures->at($run->control(), $run->asOf())],
            RunKind::Currency => ['pictures' => $run instanceof CurrencyPlan ? $this->pictures($run) : []],
            default => [],
        };
    }

    /** @return list<RatePicture> */
    private function pictures(CurrencyPlan $run): array
    {
        $pictures = [];
        foreach ($run->byCurrency() as $sum) {
            $currency = $sum->open->currency;
            $pictures[] = new RatePicture(
                $currency->code,
                $this->rates->between($currency, Day::plus($run->asOf(), -RatePicture::DAYS), $run->asOf()),
                array_values(array_filter($run->revalued, static fn (Revalued $of): bool => $of->of->item->open->isIn($currency))),
                $run->asOf(),
            );
        }

        return $pictures;
    }
}
