<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Movement\MovementFigures;
use App\Queries\Movements;
use App\Queries\Settings;

final class MovementCommand extends BooksCommand
{
    protected $signature = 'ajuste:movement {--account=} {--from=} {--as-of=} {--json}';

    protected $description = 'How the control account and the customers came from one balance to the next';

    public function handle(Settings $settings, Movements $movements): int
    {
        $account = $settings->controlAccount($this->text('account'));
        $to = $this->asOf($settings);
        $from = $this->text('from');
        $movement = $movements->of($account, $from === null ? $settings->calendar()->containing($to)->first : Day::of($from), $to);
        $lines = array_map(static fn (MovementFigures $of): array => [
            'line' => $of->line->value, 'ledger' => $of->ledger->decimal(), 'customers' => $of->customers->decimal(),
        ], $movement->lines);
        if ($this->option('json')) {
            $this->json([
                'account' => $account->number,
                'from' => $movement->from,
                'to' => $movement->to,
                'lines' => $lines,
                'difference' => $movement->difference()->decimal(),
            ]);

            return self::SUCCESS;
        }
        $this->table(['line', 'ledger', 'customers'], $lines);
        $this->line("{$account->title()}, {$movement->from} to {$movement->to}; difference {$movement->difference()->decimal()}.");

        return self::SUCCESS;
    }
}
