<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\CashAfter\PaidSince;
use Ajuste\Core\Measures\Measure;
use Ajuste\Core\Measures\MeasureKind;
use Ajuste\Core\Money\Currency;
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
use App\Queries\AgedReports;
use App\Queries\AgedRows;
use App\Queries\CashAfterDate;
use App\Queries\CreditWatches;
use App\Queries\ForeignCurrencies;
use App\Queries\MeasureFigures;
use App\Queries\Positions;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Values\AgedReport;
use App\Values\AgedShown;
use App\Values\AgedTerms;
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
        AgedReports $reports,
        ForeignCurrencies $currencies,
        CreditWatches $watches,
    ): string {
        $report = self::report($request, $at, $reports);
        $window = $this->window($request, $report);
        $numbers = array_map(static fn (AgedShown $of): string => $of->row->customer, $window->rows);

        $ids = Customer::query()->whereIn('customer', $numbers)->pluck('id', 'customer');

        return Part::of(view('aged.index', [
            'report' => $report,
            'list' => $report->sums,
            'base' => $report->currency($settings->base()),
            'currencies' => [$settings->base()->code, ...$currencies->inUse()],
            'asked' => array_filter(array_map(static fn (string $name): ?string => self::option($request, $name), [
                'basis' => 'basis', 'buckets' => 'buckets', 'credits' => 'credits', 'in' => 'in', 'by' => 'by', 'compare' => 'compare',
                'open' => 'open',
            ])),
            'by' => self::by($request),
            'compared' => self::option($request, 'compare'),
            'window' => $window,
            'opened' => self::opened($request, $at, $reports, array_values($ids->all())),
            'ids' => $ids,
            'watches' => $watches->of($at->account, $at->asOf, array_values($ids->all())),
        ]), $request);
    }

    /**
     * @param list<int> $customerIds
     * @return array<string, list<AgedShown>> the documents of each customer and currency on the page, where all are opened
     */
    private static function opened(Request $request, ViewPoint $at, AgedReports $reports, array $customerIds): array
    {
        $opened = [];
        $isAsked = $request->boolean('open') && self::by($request) === AgedBy::Customer && $customerIds !== [];
        foreach ($isAsked ? $reports->documents($at->account, $at->asOf, self::terms($request), $customerIds, $at->knownAt) : [] as $of) {
            $opened["{$of->row->customer} {$of->row->currency}"][] = $of;
        }

        return $opened;
    }

    /** @return ListWindow<AgedShown> */
    private function window(Request $request, AgedReport $report): ListWindow
    {
        $orders = [
            'name' => static fn (AgedShown $of): string => "{$of->row->customer} {$of->row->name}",
            'document' => static fn (AgedShown $of): string => $of->document,
            'unapplied' => static fn (AgedShown $of): int => $of->row->unapplied,
            'total' => static fn (AgedShown $of): int => $of->row->total,
            'change' => static fn (AgedShown $of): int => $of->change->total ?? 0,
        ];
        foreach ($report->sums->buckets->labels as $column => $label) {
            $orders[$label] = static fn (AgedShown $of): int => $of->row->amounts[$column];
        }

        return ListWindow::fetched(
            $request,
            $report->keys,
            $report->rows(...),
            static fn (AgedShown $of): string => "{$of->row->customer} {$of->row->name} {$of->row->currency} {$of->document}",
            $orders,
        );
    }

    private static function report(Request $request, ViewPoint $at, AgedReports $reports): AgedReport
    {
        return $reports->of(
            $at->account, $at->asOf, self::terms($request), self::by($request), self::option($request, 'compare'), $at->knownAt,
        );
    }

    /** By the policies of the books, or those that the address asks for. */
    private static function terms(Request $request): AgedTerms
    {
        $asked = static fn (string $name): ?string => self::option($request, $name);

        return new AgedTerms($asked('basis'), $asked('buckets'), $asked('credits'), $asked('in'));
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
        $day = self::option($request, 'compare');
        $list = $reports->aged($at->account, $at->asOf, self::terms($request), $at->knownAt);
        $shown = $list->in === null ? $settings->base() : Currency::of($list->in);
        $column = $request->string('column')->toString();
        $currency = $request->string('currency')->toString();
        $rows = [];
        foreach ($items->of($at->account->id, $at->asOf, $at->knownAt, [$customer->id], $list->in) as $itemId => $item) {
            foreach ($list->parts($item) as $part) {
                $in = $list->label($part);
                if (($currency === '' || $item->currency === $currency) && ($column === '' || $column === $in)) {
                    $rows[] = new AgedLine($itemId, $item, $in, Money::ofMinor($part->base, $shown));
                }
            }
        }

        return view('aged.items', [
            'customer' => $customer,
            'column' => $column,
            'rows' => $rows,
            'sum' => Money::sum(array_column($rows, 'base'), $shown),
            'documents' => $positions->titles(array_values(array_unique(array_column($rows, 'itemId')))),
            'list' => $list,
            'base' => $shown,
            'compared' => $day,
            'moved' => $day === null ? [] : $aged->moved(
                $list,
                $reports->aged($at->account, Day::of($day), self::terms($request), $at->knownAt),
                $at->account,
                $customer->id,
                $at->knownAt,
            ),
        ]);
    }

    /** The documents of one row of the list, to stand under it. */
    public function documents(Request $request, Customer $customer, ViewPoint $at, Settings $settings, AgedReports $reports): View
    {
        $currency = self::option($request, 'currency');
        $all = $reports->documents($at->account, $at->asOf, self::terms($request), [$customer->id], $at->knownAt);
        $in = self::terms($request)->in;

        return view('aged.documents', [
            'documents' => array_filter($all, static fn (AgedShown $of): bool => in_array($currency, [null, $of->row->currency], true)),
            'base' => $in === null ? $settings->base() : Currency::of($in),
            'compared' => self::option($request, 'compare'),
        ]);
    }

    public function export(string $format, Request $request, ViewPoint $at, Settings $settings, AgedReports $reports): Response
    {
        $report = self::report($request, $at, $reports);
        $list = $report->sums;
        $compared = self::option($request, 'compare');
        $documents = self::by($request) === AgedBy::Document;
        $head = ['customer', 'name', ...$documents ? ['document'] : [], 'currency'];
        $currency = $report->currency($settings->base());
        $say = static fn (int $minor): string => Money::ofMinor($minor, $currency)->decimal();
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
        $blank = array_fill(0, count($head) - 2 + count($list->buckets->labels) + 1, '');
        $table = [
            [...$head, ...$list->buckets->labels, 'unapplied', 'total', ...$compared === null ? [] : ["since {$compared}"]],
            ...array_map(static fn (AgedShown $of): array => $cells($of->row, $of->document, $of->change), $report->rows()),
            $cells(new AgedRow('total', '', '', $list->totals->amounts, $list->totals->unapplied), '', null),
        ];
        foreach ($report->ties as $tie) {
            $table[] = ["control account {$tie->account->number}", "as of {$at->asOf}", ...$blank, $tie->control->decimal()];
            $table[] = ['difference', '', ...$blank, $tie->difference->decimal()];
        }
        $of = self::by($request) === AgedBy::Account ? 'all control accounts' : $at->account->title();
        $numbers = range(count($head), count($head) + 2 + count($list->buckets->labels));

        return Download::table($table, "aged-{$at->account->number}-{$at->asOf}", $format, $numbers, new SheetHead(
            "Aged receivables of {$of}, {$at->asOf}",
            $report->says($settings->base()).', '.self::known($at),
            sums: true,
            after: 2 * count($report->ties),
        ));
    }

    public function paper(Request $request, ViewPoint $at, Settings $settings, AgedReports $reports): SymfonyResponse
    {
        $report = self::report($request, $at, $reports);
        if (count($report->keys) > self::PRINTED) {
            throw new Refusal(count($report->keys).' rows are too many for paper; print by group or country, or take the XLSX.');
        }

        return Paper::pdf('aged.paper', [
            'report' => $report,
            'by' => ucfirst(self::by($request)->words()),
            'says' => $report->says($settings->base()),
            'base' => $report->currency($settings->base()),
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
    public function cashAfter(Request $request, ViewPoint $at, Settings $settings, CashAfterDate $cash): string
    {
        $until = self::option($request, 'until');
        $found = $cash->of($at->account, $at->asOf, $until === null ? max($at->asOf, $cash->latest()) : Day::of($until));

        return Part::of(view('aged.cash-after', [
            'cash' => $found,
            'window' => ListWindow::of(
                $request,
                $found->lines,
                static fn (PaidSince $of): string => "{$of->customer->number} {$of->customer->name} {$of->item->title()} "
                    .$of->open->grouped(),
                [
                    'customer' => static fn (PaidSince $of): string => "{$of->customer->number} {$of->customer->name}",
                    'document' => static fn (PaidSince $of): string => $of->item->title(),
                    'due' => static fn (PaidSince $of): string => $of->item->dueDate,
                    'open' => static fn (PaidSince $of): int => $of->open->minor,
                    'paid' => static fn (PaidSince $of): int => $of->paid->minor,
                    'share' => static fn (PaidSince $of): int => $of->share(),
                ],
            ),
            'base' => $settings->base(),
        ]), $request);
    }

    private static function option(Request $request, string $name): ?string
    {
        $value = $request->string($name)->toString();

        return $value === '' ? null : $value;
    }
}
