<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Aging\AgedSums;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Queries\AgedReports;
use App\Queries\Settings;
use App\Values\AgedShown;
use App\Values\AgedTerms;
use App\Values\AgedTie;

final class AgedCommand extends BooksCommand
{
    protected $signature = 'ajuste:aged {--account=} {--as-of=} {--basis=} {--buckets=} {--credits=} {--in=} {--by=} {--compare=} {--json}';

    protected $description = 'Open items by age, tied to the control account';

    public function handle(Settings $settings, AgedReports $reports): int
    {
        $account = $settings->controlAccount($this->text('account'));
        $asOf = $this->asOf($settings);
        $terms = new AgedTerms($this->text('basis'), $this->text('buckets'), $this->text('credits'), $this->text('in'));
        $report = $reports->of($account, $asOf, $terms, $this->by(), $this->text('compare'));
        $customers = $reports->of($account, $asOf, $terms, AgedBy::Customer)->rows();
        $list = $report->sums;
        $currency = $report->currency($settings->base());
        $say = static fn (int $minor): string => Money::ofMinor($minor, $currency)->decimal();
        $amounts = static fn (AgedRow $row): array => [
            'amounts' => array_map($say, $row->amounts),
            'unapplied' => $say($row->unapplied),
            'total' => $say($row->total),
        ];
        if ($this->option('json')) {
            $this->json([
                'as_of' => $asOf,
                ...$list->in === null ? [] : ['in' => $list->in],
                'buckets' => $list->buckets->labels,
                'customers' => array_map(static fn (AgedShown $of): array => [...self::named($of), ...$amounts($of->row)], $customers),
                ...$this->text('by') === null && $this->text('compare') === null ? [] : ['rows' => array_map(
                    static fn (AgedShown $of): array => [
                        ...self::named($of),
                        'document' => $of->document,
                        ...$amounts($of->row),
                        ...$of->change === null ? [] : ['change' => $amounts($of->change)],
                    ],
                    $report->rows(),
                )],
                'totals' => $amounts($list->totals),
                ...self::tied($report->ties, $settings->base()),
            ]);

            return self::SUCCESS;
        }
        $this->print($list, $customers, $currency);
        foreach ($report->ties as $tie) {
            $this->line("Control account {$tie->account->number} as of {$asOf}: {$tie->control->decimal()} {$currency->code}; difference "
                ."{$tie->difference->decimal()}.");
        }

        return self::SUCCESS;
    }

    /** @return array<string, string> */
    private static function named(AgedShown $of): array
    {
        return ['customer' => $of->row->customer, 'name' => $of->row->name, 'currency' => $of->row->currency];
    }

    /**
     * @param list<AgedTie> $ties
     * @return array<string, string> of all of them together; none where the list is in a currency of documents
     */
    private static function tied(array $ties, Currency $base): array
    {
        return $ties === [] ? [] : [
            'control' => Money::sum(array_column($ties, 'control'), $base)->decimal(),
            'difference' => Money::sum(array_column($ties, 'difference'), $base)->decimal(),
        ];
    }

    /** @throws Refusal when it is asked for by something else */
    private function by(): AgedBy
    {
        $asked = $this->text('by') ?? AgedBy::Customer->value;

        return AgedBy::tryFrom($asked)
            ?? throw new Refusal("“{$asked}” is none of ".implode(', ', array_column(AgedBy::cases(), 'value')).'.');
    }

    /** @param  list<AgedShown>  $customers */
    private function print(AgedSums $list, array $customers, Currency $currency): void
    {
        $say = static fn (int $minor): string => Money::ofMinor($minor, $currency)->decimal();
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
                ...array_map(static fn (AgedShown $of): array => $cells($of->row, "{$of->row->customer} {$of->row->name}"), $customers),
                $cells($list->totals, 'total'),
            ],
        );
    }
}
