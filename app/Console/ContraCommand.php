<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Contra\ContraPlan;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;

final class ContraCommand extends RunCommand
{
    protected const KIND = RunKind::Contra;

    protected $signature = 'ajuste:contra {--account=} {--as-of=} {--json}';

    protected $description = 'What would be set off against payables';

    protected function more(RunPlan $run): array
    {
        $bills = [];
        foreach ($run instanceof ContraPlan ? $run->offsets : [] as $offset) {
            foreach ($offset->bills as $part) {
                $bills[] = [
                    'supplier' => $offset->party->supplier->number,
                    'document' => $part->bill->document,
                    'currency' => $part->amount->currency->code,
                    'amount' => $part->amount->decimal(),
                    'base' => $part->base->decimal(),
                ];
            }
        }

        return ['bills' => $bills];
    }
}
