<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Allowance\AllowancePlan;
use Ajuste\Core\Allowance\MatrixCell;
use Ajuste\Core\Allowance\Overlay;
use Ajuste\Core\Allowance\SpecificLine;
use Ajuste\Core\Run\RunKind;
use App\Actions\Runs\RunPlans;
use App\Queries\Settings;

final class AllowanceCommand extends BooksCommand
{
    protected $signature = 'ajuste:allowance {--account=} {--as-of=} {--json}';

    protected $description = 'What is expected to be lost, and the change of the allowance';

    public function handle(Settings $settings, RunPlans $plans): int
    {
        $plan = $plans->of(RunKind::Allowance, $settings->controlAccount($this->text('account')), $this->asOf($settings));
        assert($plan instanceof AllowancePlan);
        $said = [
            'as_of' => $plan->asOf(),
            'matrix' => array_map(self::cell(...), $plan->matrix),
            'specific' => array_map(self::specific(...), $plan->specific),
            'overlays' => array_map(self::overlay(...), $plan->basis->overlays),
            'before' => $plan->before->decimal(),
            'after' => $plan->after()->decimal(),
            'change' => $plan->total()->decimal(),
        ];
        if ($this->option('json')) {
            $this->json($said);

            return self::SUCCESS;
        }
        $this->table(['group', 'bucket', 'base', 'rate %', 'allowance'], $said['matrix']);
        $this->table(['customer', 'document', 'amount'], $said['specific']);
        $this->table(['overlay', 'why'], $said['overlays']);
        $this->line(
            "Before {$said['before']}, after {$said['after']}, change {$said['change']} {$settings->base()->code}, {$plan->policy()}.",
        );

        return self::SUCCESS;
    }

    /** @return array<string, string> */
    private static function cell(MatrixCell $cell): array
    {
        return [
            'group' => $cell->group,
            'bucket' => $cell->bucket,
            'base' => $cell->base->decimal(),
            'rate' => (string) $cell->rate,
            'allowance' => $cell->allowance->decimal(),
        ];
    }

    /** @return array<string, string> */
    private static function specific(SpecificLine $line): array
    {
        return ['customer' => $line->of->customer->number, 'document' => $line->of->document, 'amount' => $line->amount->decimal()];
    }

    /** @return array<string, string> */
    private static function overlay(Overlay $overlay): array
    {
        return ['amount' => $overlay->amount->decimal(), 'why' => $overlay->reason];
    }
}
