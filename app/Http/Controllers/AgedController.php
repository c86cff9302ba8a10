<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Money\Money;
use App\Http\Download;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\ControlFigures;
use App\Queries\Positions;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

final class AgedController
{
    public function index(Request $request, ViewPoint $at, Settings $settings, Reports $reports, ControlFigures $figures): View
    {
        $list = $reports->aged($at->account, $at->asOf, $this->option($request, 'basis'), $this->option($request, 'buckets'), $this->option($request, 'credits'), $at->knownAt);

        return view('aged.index', [
            'list' => $list, 'base' => $settings->base(), 'figures' => $figures->at($at->account, $at->asOf, $at->knownAt),
            'asked' => array_filter(['basis' => $this->option($request, 'basis'), 'buckets' => $this->option($request, 'buckets'), 'credits' => $this->option($request, 'credits')]),
            'shown' => array_slice($list->rows, 0, min(20_000, max(300, $request->integer('rows', 300)))),
            'ids' => Customer::query()->pluck('id', 'customer'),
        ]);
    }

    /** The items behind one figure of the list. */
    public function items(Request $request, Customer $customer, ViewPoint $at, Settings $settings, Reports $reports, Positions $positions): View
    {
        $list = $reports->aged($at->account, $at->asOf, $this->option($request, 'basis'), $this->option($request, 'buckets'), $this->option($request, 'credits'), $at->knownAt);
        $column = $request->string('column')->toString();
        $currency = $request->string('currency')->toString();
        $rows = [];
        $sum = 0;
        foreach ($positions->forAging($at->account->id, $at->asOf, $at->knownAt, $customer->id) as $itemId => $item) {
            $inColumn = $list->columnName($item);
            if (($currency === '' || $item->currency === $currency) && ($column === '' || $column === $inColumn)) {
                $rows[$itemId] = [$item, $inColumn];
                $sum += $item->base;
            }
        }

        return view('aged.items', [
            'customer' => $customer, 'column' => $column, 'rows' => $rows, 'sum' => $sum, 'documents' => $positions->titles(array_keys($rows)),
            'list' => $list, 'base' => $settings->base(),
        ]);
    }

    public function export(string $format, Request $request, ViewPoint $at, Settings $settings, Reports $reports, ControlFigures $figures): Response
    {
        $list = $reports->aged($at->account, $at->asOf, $this->option($request, 'basis'), $this->option($request, 'buckets'), $this->option($request, 'credits'), $at->knownAt);
        $say = static fn (int $minor): string => Money::ofMinor($minor, $settings->base())->decimal();
        $cells = static fn (AgedRow $row, string $customer, string $name): array => [
            $customer, $name, $row->currency, ...array_map($say, $row->amounts), $say($row->unapplied), $say($row->total),
        ];
        $control = $figures->at($at->account, $at->asOf, $at->knownAt)->control;
        $blank = array_fill(0, count($list->buckets->labels) + 1, '');
        $rows = [
            ['customer', 'name', 'currency', ...$list->buckets->labels, 'unapplied', 'total'],
            ...array_map(static fn (AgedRow $row): array => $cells($row, $row->customer, $row->name), $list->rows),
            $cells($list->totals, 'total', ''),
            ["control account {$at->account->number}", "as of {$at->asOf}", '', ...$blank, $control->decimal()],
            ['difference', '', '', ...$blank, $say($control->minor - $list->totals->total)],
        ];

        return Download::table($rows, "aged-{$at->account->number}-{$at->asOf}", $format, range(3, 4 + count($list->buckets->labels)));
    }

    private function option(Request $request, string $name): ?string
    {
        $value = $request->string($name)->toString();

        return $value === '' ? null : $value;
    }
}
