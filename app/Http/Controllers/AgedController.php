<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Money\Money;
use App\Http\AgedLine;
use App\Http\Download;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\AgedItems;
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
        $list = $this->list($request, $at, $reports);

        $shown = array_slice($list->rows, 0, min(20_000, max(300, $request->integer('rows', 300))));

        return view('aged.index', [
            'list' => $list,
            'base' => $settings->base(),
            'figures' => $figures->at($at->account, $at->asOf, $at->knownAt),
            'asked' => array_filter([
                'basis' => $this->option($request, 'basis'),
                'buckets' => $this->option($request, 'buckets'),
                'credits' => $this->option($request, 'credits'),
            ]),
            'shown' => $shown,
            'ids' => Customer::query()->whereIn('customer', array_column($shown, 'customer'))->pluck('id', 'customer'),
        ]);
    }

    /** The items behind one figure of the list. */
    public function items(
        Request $request,
        Customer $customer,
        ViewPoint $at,
        Settings $settings,
        Reports $reports,
        AgedItems $items,
        Positions $positions,
    ): View {
        $list = $this->list($request, $at, $reports);
        $column = $request->string('column')->toString();
        $currency = $request->string('currency')->toString();
        $rows = [];
        foreach ($items->of($at->account->id, $at->asOf, $at->knownAt, [$customer->id]) as $itemId => $item) {
            foreach ($list->parts($item) as $part) {
                $in = $list->label($part);
                if (($currency === '' || $item->currency === $currency) && ($column === '' || $column === $in)) {
                    $rows[] = new AgedLine($itemId, $item, $in, Money::ofMinor($part->base, $settings->base()));
                }
            }
        }

        return view('aged.items', [
            'customer' => $customer,
            'column' => $column,
            'rows' => $rows,
            'sum' => Money::sum(array_column($rows, 'base'), $settings->base()),
            'documents' => $positions->titles(array_values(array_unique(array_column($rows, 'itemId')))),
            'list' => $list,
            'base' => $settings->base(),
        ]);
    }

    public function export(
        string $format,
        Request $request,
        ViewPoint $at,
        Settings $settings,
        Reports $reports,
        ControlFigures $figures,
    ): Response {
        $list = $this->list($request, $at, $reports);
        $say = static fn (int $minor): string => Money::ofMinor($minor, $settings->base())->decimal();
        $cells = static fn (AgedRow $row, string $customer, string $name): array => [
            $customer,
            $name,
            $row->currency,
            ...array_map($say, $row->amounts),
            $say($row->unapplied),
            $say($row->total),
        ];
        $control = $figures->at($at->account, $at->asOf, $at->knownAt)->control;
        $blank = array_fill(0, count($list->buckets->labels) + 1, '');
        $rows = [
            ['customer', 'name', 'currency', ...$list->buckets->labels, 'unapplied', 'total'],
            ...array_map(static fn (AgedRow $row): array => $cells($row, $row->customer, $row->name), $list->rows),
            $cells($list->totals, 'total', ''),
            ["control account {$at->account->number}", "as of {$at->asOf}", '', ...$blank, $control->decimal()],
            ['difference', '', '', ...$blank, $list->difference($control)->decimal()],
        ];

        return Download::table($rows, "aged-{$at->account->number}-{$at->asOf}", $format, range(3, 4 + count($list->buckets->labels)));
    }

    /** By the policies of the books, or those that the address asks for. */
    private function list(Request $request, ViewPoint $at, Reports $reports): AgedList
    {
        $asked = fn (string $name): ?string => $this->option($request, $name);

        return $reports->aged($at->account, $at->asOf, $asked('basis'), $asked('buckets'), $asked('credits'), $at->knownAt);
    }

    private function option(Request $request, string $name): ?string
    {
        $value = $request->string($name)->toString();

        return $value === '' ? null : $value;
    }
}
