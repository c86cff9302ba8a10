<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Measures\Measure;
use App\Queries\MeasureFigures;
use App\Queries\Settings;

final class MeasuresCommand extends BooksCommand
{
    protected $signature = 'ajuste:measures {--account=} {--as-of=} {--json}';

    protected $description = 'How fast money comes in, with formulas and figures';

    public function handle(Settings $settings, MeasureFigures $figures): int
    {
        $measures = $figures->of($settings->controlAccount($this->text('account')), $this->asOf($settings));
        if ($this->option('json')) {
            $this->json(array_map(static fn (Measure $of): array => [
                'measure' => $of->kind->value,
                'value' => $of->value === null ? null : (string) $of->value,
                'formula' => $of->kind->formula(),
                'figures' => (object) $of->figures,
            ], $measures));

            return self::SUCCESS;
        }
        $this->table(['measure', 'value', 'formula'], array_map(static fn (Measure $of): array => [
            $of->kind->words(), (string) ($of->value ?? 'nothing to divide by'), $of->kind->formula(),
        ], $measures));

        return self::SUCCESS;
    }
}
