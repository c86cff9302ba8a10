<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Movement\GroupMovement;
use Ajuste\Core\Movement\MovementFigures;
use Ajuste\Core\Refusal;
use App\Queries\Movements;
use App\Queries\Settings;

final class MovementCommand extends BooksCommand
{
    protected $signature = 'ajuste:movement {--account=} {--from=} {--as-of=} {--by=} {--json}';

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
        $groups = $this->byGroup() ? $movements->byGroup($account, $movement->from, $to) : [];
        if ($this->option('json')) {
            $this->json([
                'account' => $account->number,
                'from' => $movement->from,
                'to' => $movement->to,
                'lines' => $lines,
                'difference' => $movement->difference()->decimal(),
                ...$this->byGroup() ? ['groups' => array_map(self::group(...), $groups)] : [],
            ]);

            return self::SUCCESS;
        }
        $this->table(['line', 'ledger', 'customers'], $lines);
        if ($groups !== []) {
            $this->table(array_keys(self::group($groups[0])), array_map(self::group(...), $groups));
        }
        $this->line("{$account->title()}, {$movement->from} to {$movement->to}; difference {$movement->difference()->decimal()}.");

        return self::SUCCESS;
    }

    /** @throws Refusal when it is asked for by anything else */
    private function byGroup(): bool
    {
        $by = $this->text('by');

        return match ($by) {
            null, 'group' => $by === 'group',
            default => throw new Refusal("“{$by}” is no way to part a movement; group is expected."),
        };
    }

    /** @return array<string, string> */
    private static function group(GroupMovement $of): array
    {
        return [
            'group' => $of->group,
            'opening' => $of->opening->decimal(),
            ...array_map(static fn (Money $amount): string => $amount->decimal(), $of->moved),
            'closing' => $of->closing->decimal(),
        ];
    }
}
