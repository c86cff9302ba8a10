<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Measures\Measure;
use Ajuste\Core\Measures\MeasureKind;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Http\AgedLine;
use App\Http\Download;
use App\Http\ListWindow;
use App\Http\Paper;
use App\Http\Part;
use App\Http\Pictures\AgeMonths;
use App\Http\Pictures\MeasureLine;
use App\Http\SheetHead;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\AgedHistory;
use App\Queries\AgedItems;
use App\Queries\AgedRows;
use App\Queries\AgedShown;
use App\Queries\CashAfterDate;
use App\Queries\ControlFigures;
use App\Queries\CreditWatches;
use App\Queries\MeasureFigures;
use App\Queries\Positions;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response as SymfonyResponse;

final class AgedController
{
    /** So many rows go on paper. */
    private const PRINTED = 1_500;

    public function index(
        Request $request,
        ViewPoint $at,
        Settings $settings,
        Reports $reports,
        ControlFigures $figures,
        AgedRows $rows,
        CreditWatches $watches,
    ): string {
        $list = $this->list($request, $at, $reports);
        $window = $this->window($request, $this->rows($request, $at, $reports, $rows, $list), $list);
        $numbers = array_map(static fn (AgedShown $of): string => $of->row->customer, $window->rows);

        $ids = Customer::query()->whereIn('customer', $numbers)->pluck('id', 'customer');

        return Part::of(view('aged.index', [
            'list' => $list,
            'base' => $settings->base(),
            'figures' => $figures->at($at->account, $at->asOf, $at->knownAt),
            'asked' => array_filter(array_map(fn (string $name): ?string => $this->option($request, $name), [
                'basis' => 'basis', 'buckets' => 'buckets', 'credits' => 'credits', 'by' => 'by', 'compare' => 'compare',
            ])),
            'by' => self::by($request),
            'compared' => $this->option($request, 'compare'),
            'window' => $window,
            'ids' => $ids,
            'watches' => $watches->of($at->account, $at->asOf, array_values($ids->all())),
        ]), $request);
    }

    /**
     * @param list<AgedShown> $rows
     * @return ListWindow<AgedShown>
     */
    private function window(Request $request, array $rows, AgedList $list): ListWindow
    {
        $orders = [
            'name' => static fn (AgedShown $of): string => "{$of->row->customer} {$of->row->name}",
            'document' => static fn (AgedShown $of): string => $of->document,
            'unapplied' => static fn (AgedShown $of): int => $of->row->unapplied,
            'total' => static fn (AgedShown $of): int => $of->row->total,
            'change' => static fn (AgedShown $of): int => $of->change->total ?? 0,
        ];
        foreach ($list->buckets->labels as $column => $label) {
            $orders[$label] = static fn (AgedShown $of): int => $of->row->amounts[$column];
        }

        return new ListWindow(
            $request,
            $rows,
            static fn (AgedShown $of): string => "{$of->row->customer} {$of->row->name} {$of->row->currency} {$of->document}",
            $orders,
        );
    }

    /** @return list<AgedShown> */
    private function rows(Request $request, ViewPoint $at, Reports $reports, AgedRows $rows, AgedList $list): array
    {
        $day = $this->option($request, 'compare');
        $then = $day === null ? null : $this->list($request, $at, $reports, Day::of($day));

        return $rows->of($list, self::by($request), $at->account, $at->knownAt, $then);
    }

    private static function by(Request $request): AgedBy
    {
        return AgedBy::tryFrom($request->string('by')->toString()) ?? AgedBy::Customer;
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
        AgedRows $aged,
    ): View {
        $day = $this->option($request, 'compare');
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
            'compared' => $day,
            'moved' => $day === null ? [] : $aged->moved(
                $list, $this->list($request, $at, $reports, Day::of($day)), $at->account, $customer->id, $at->knownAt,
            ),
        ]);
    }

    public function export(
        string $format,
        Request $request,
        ViewPoint $at,
        Settings $settings,
        Reports $reports,
        ControlFigures $figures,
        AgedRows $rows,
    ): Response {
        $list = $this->list($request, $at, $reports);
        $compared = $this->option($request, 'compare');
        $documents = self::by($request) === AgedBy::Document;
        $head = ['customer', 'name', ...$documents ? ['document'] : [], 'currency'];
        $say = static fn (int $minor): string => Money::ofMinor($minor, $settings->base())->decimal();
        $cells = static fn (AgedRow $row, string $document, ?AgedRow $change): array => [
            $row->customer,
            $row->name,
            ...$documents ? [$document] : [],
            $row->currency,
            ...array_map($say, $row->amounts),
            $say($row->unapplied),
            $say($row->total),
            ...$compared === null ? [] : [$change === null ? '' : $say($change->total)],
        ];
        $control = $figures->at($at->account, $at->asOf, $at->knownAt)->control;
        $blank = array_fill(0, count($head) - 2 + count($list->buckets->labels) + 1, '');
        $totals = new AgedRow('total', '', '', $list->totals->amounts, $list->totals->unapplied);
        $table = [
            [...$head, ...$list->buckets->labels, 'unapplied', 'total',
                ...$compared === null ? [] : ["since {$compared}"]],
            ...array_map(
                static fn (AgedShown $of): array => $cells($of->row, $of->document, $of->change),
                $this->rows($request, $at, $reports, $rows, $list),
            ),
            $cells($totals, '', null),
            ["control account {$at->account->number}", "as of {$at->asOf}", ...$blank, $control->decimal()],
            ['difference', '', ...$blank, $list->difference($control)->decimal()],
        ];

        $numbers = range(count($head), count($head) + 2 + count($list->buckets->labels));

        $basis = $list->buckets->basis === AgedBasis::DueDate ? 'due date' : 'document date';

        return Download::table($table, "aged-{$at->account->number}-{$at->asOf}", $format, $numbers, new SheetHead(
            "Aged receivables of {$at->account->title()}, {$at->asOf}",
            "By {$basis}, ".lcfirst($list->credits->words()).", in {$settings->base()->code} at carrying amount, ".self::known($at),
            sums: true,
            after: 2,
        ));
    }

    public function paper(
        Request $request,
        ViewPoint $at,
        Settings $settings,
        Reports $reports,
        ControlFigures $figures,
        AgedRows $rows,
    ): SymfonyResponse {
        $list = $this->list($request, $at, $reports);
        $all = $this->rows($request, $at, $reports, $rows, $list);
        if (count($all) > self::PRINTED) {
            throw new Refusal(count($all).' rows are too many for paper; print by group or country, or take the XLSX.');
        }

        return Paper::pdf('aged.paper', [
            'booksName' => $settings->text(Setting::BooksName),
            'list' => $list,
            'rows' => $all,
            'by' => ucfirst(self::by($request)->value),
            'account' => $at->account,
            'control' => $figures->at($at->account, $at->asOf, $at->knownAt)->control,
            'base' => $settings->base(),
        ], "aged-{$at->account->number}-{$at->asOf}");
    }

    /** Twelve periods as one picture, with the measures of each. */
    public function months(ViewPoint $at, Settings $settings, AgedHistory $history, MeasureFigures $figures): View
    {
        $lists = $history->lists($at->account, $at->asOf);
        $measures = array_map(static fn (AgedList $list): array => array_column(array_map(
            static fn (Measure $of): array => [$of->kind->value, $of->value?->__toString()],
            $figures->of($at->account, $list->asOf),
        ), 1, 0), $lists);

        return view('aged.months', [
            'picture' => new AgeMonths($lists),
            'weeks' => $history->dueWeeks($at->account, $at->asOf),
            'measures' => $measures,
            'kinds' => MeasureKind::cases(),
            'lines' => array_map(
                static fn (MeasureKind $kind): MeasureLine => new MeasureLine($kind->words(), array_column($measures, $kind->value)),
                MeasureKind::cases(),
            ),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
        ]);
    }

    private static function known(ViewPoint $at): string
    {
        return $at->knownAt === null ? 'as known now' : "as known at {$at->knownAt}";
    }

    /** The auditor's subsequent receipts: which of the open documents have been paid since. */
    public function cashAfter(Request $request, ViewPoint $at, Settings $settings, CashAfterDate $cash): View
    {
        $until = $this->option($request, 'until');
        $found = $cash->of($at->account, $at->asOf, $until === null ? max($at->asOf, $cash->latest()) : Day::of($until));

        return view('aged.cash-after', [
            'cash' => $found,
            'shown' => array_slice($found->lines, 0, min(20_000, max(1_000, $request->integer('rows', 1_000)))),
            'base' => $settings->base(),
        ]);
    }

    /** By the policies of the books, or those that the address asks for. */
    private function list(Request $request, ViewPoint $at, Reports $reports, ?string $day = null): AgedList
    {
        $asked = fn (string $name): ?string => $this->option($request, $name);

        return $reports->aged($at->account, $day ?? $at->asOf, $asked('basis'), $asked('buckets'), $asked('credits'), $at->knownAt);
    }

    private function option(Request $request, string $name): ?string
    {
        $value = $request->string($name)->toString();

        return $value === '' ? null : $value;
    }
}
