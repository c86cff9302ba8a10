<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Queries\AgedRows;
use App\Queries\AgedShown;
use App\Queries\ControlFigures;
use App\Queries\Reports;
use App\Queries\Settings;

final class AgedCommand extends BooksCommand
{
    protected $signature = 'ajuste:aged {--account=} {--as-of=} {--basis=} {--buckets=} {--credits=} {--by=} {--compare=} {--json}';

    protected $description = 'Open items by age, tied to the control account';

    public function handle(Settings $settings, Reports $reports, ControlFigures $figures, AgedRows $rows): int
    {
        $account = $settings->controlAccount($this->text('account'));
        $asOf = $this->asOf($settings);
        $list = $reports->aged($account, $asOf, $this->text('basis'), $this->text('buckets'), $this->text('credits'));
        $shown = $this->shown($list, $account, $reports, $rows);
        $control = $figures->at($account, $asOf)->control;
        $base = $settings->base();
        $say = static fn (int $minor): string => Money::ofMinor($minor, $base)->decimal();
        $amounts = static fn (AgedRow $row): array => [
            'amounts' => array_map($say, $row->amounts),
            'unapplied' => $say($row->unapplied),
            'total' => $say($row->total),
        ];
        if ($this->option('json')) {
            $this->json([
                'as_of' => $asOf,
                'buckets' => $list->buckets->labels,
                'customers' => array_map(
                    static fn (AgedRow $row): array => [
                        'customer' => $row->customer,
                        'name' => $row->name,
                        'currency' => $row->currency,
                        ...$amounts($row),
                    ],
                    $list->rows,
                ),
                ...$shown === null ? [] : ['rows' => array_map(static fn (AgedShown $of): array => [
                    'customer' => $of->row->customer,
                    'name' => $of->row->name,
                    'document' => $of->document,
                    'currency' => $of->row->currency,
                    ...$amounts($of->row),
                    ...$of->change === null ? [] : ['change' => $amounts($of->change)],
                ], $shown)],
                'totals' => $amounts($list->totals),
                'control' => $control->decimal(),
                'difference' => $list->difference($control)->decimal(),
            ]);

            return self::SUCCESS;
        }
        $this->print($list, $base);
        $this->line(
            "Control account {$account->number} as of {$asOf}: {$control->decimal()} {$base->code}; difference ".
                $list->difference($control)->decimal().
                '.',
        );

        return self::SUCCESS;
    }

    /**
     * @return ?list<AgedShown> null: by customer, compared with nothing
     *
     * @throws Refusal when it is asked for by something else, or compared with a later day
     */
    private function shown(AgedList $list, Account $account, Reports $reports, AgedRows $rows): ?array
    {
        [$asked, $day] = [$this->text('by'), $this->text('compare')];
        if ($asked === null && $day === null) {
            return null;
        }
        $by = AgedBy::tryFrom($asked ?? AgedBy::Customer->value)
            ?? throw new Refusal("“{$asked}” is none of ".implode(', ', array_column(AgedBy::cases(), 'value')).'.');
        $then = $day === null ? null : $reports->aged(
            $account, Day::of($day), $this->text('basis'), $this->text('buckets'), $this->text('credits'),
        );

        return $rows->of($list, $by, $account, null, $then);
    }

    private function print(AgedList $list, Currency $base): void
    {
        $say = static fn (int $minor): string => Money::ofMinor($minor, $base)->decimal();
        $cells = static fn (AgedRow $row, string $title): array => [
            $title,
            $row->currency,
            ...array_map($say, $row->amounts),
            $say($row->unapplied),
            $say($row->total),
        ];
        $this->table(
            ['customer', 'currency', ...$list->buckets->labels, 'unapplied', 'total'],
            [
                ...array_map(static fn (AgedRow $row): array => $cells($row, "{$row->customer} {$row->name}"), $list->rows),
                $cells($list->totals, 'total'),
            ],
        );
    }
}
