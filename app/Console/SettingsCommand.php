<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use App\Actions\KeepPolicy;
use App\Queries\Settings;

/** The policies as they hold on a day, and changing one with a reason, as the page does. */
final class SettingsCommand extends BooksCommand
{
    protected $signature = 'ajuste:settings {name? : such as residue_limit or residue_limit.GBP} {value? : what it shall be} '
        .'{--reason= : why it changes} {--from= : the first day on which it holds} {--as-of=} {--json}';

    protected $description = 'The policies of the books';

    public function handle(Settings $settings, KeepPolicy $keep): int
    {
        [$name, $value] = [$this->argument('name'), $this->argument('value')];
        if (is_string($name) && is_string($value)) {
            $keep->post('settings-'.bin2hex(random_bytes(8)), $name, $value, $this->text('reason') ?? '', $this->text('from') ?? '');
            $this->line("{$name} is “{$value}” now. What held before stays among the versions.");

            return self::SUCCESS;
        }
        $asOf = $this->text('as-of');
        $inForce = $settings->on($asOf === null ? $settings->period()->last : Day::of($asOf));
        $rows = [];
        foreach (is_string($name) ? [$name] : $inForce->names() as $of) {
            $rows[] = ['name' => $of, 'value' => $inForce->named($of)];
        }
        $this->option('json') === true ? $this->json($rows) : $this->table(['name', 'value'], $rows);

        return self::SUCCESS;
    }
}
