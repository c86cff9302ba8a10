<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Refusal;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\RefusedRows;
use App\Actions\KeepRate;
use App\Files\SourceFiles;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\Say;
use App\Http\ViewPoint;
use App\Queries\ExchangeResults;
use App\Queries\Rates;
use App\Queries\Settings;
use App\StandIn\RateSource;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\File;
use Illuminate\View\View;
use stdClass;

/** Exchange rates by day, with where they come from. */
final class RatesController
{
    public function index(Request $request, Rates $rates, Settings $settings, ViewPoint $at): string
    {
        $all = $rates->all();

        return Part::of(view('rates.index', [
            'window' => ListWindow::of(
                $request,
                $all,
                static fn (stdClass $of): string => Say::day($of->date)." {$of->date} {$of->currency} {$of->rate} {$of->source}",
                [
                    'day' => static fn (stdClass $of): string => $of->date,
                    'currency' => static fn (stdClass $of): string => $of->currency,
                    'rate' => static fn (stdClass $of): string => sprintf('%020.10f', $of->rate), // as text, in the order of numbers
                    'quoted' => static fn (stdClass $of): string => $of->quoted,
                    'from' => static fn (stdClass $of): string => $of->source,
                ],
            ),
            'none' => $all === [] ? 'No rates yet. Hand in rates.csv, or type one.' : 'No rate has these words.',
            'base' => $settings->base(),
            'date' => $settings->locked()->firstOpenFrom($at->asOf),
            'key' => bin2hex(random_bytes(16)),
        ]), $request);
    }

    /** Realised and unrealised by month, currency and customer, tied to the exchange accounts. */
    public function results(Request $request, ExchangeResults $results, Settings $settings, ViewPoint $at): View
    {
        $from = $request->string('from')->toString();
        $first = $from === '' ? substr($at->asOf, 0, 4).'-01-01' : Day::of($from);

        return view('runs.exchange-results', [
            'from' => $first,
            'results' => $results->of($first, $at->asOf),
            'unrealised' => $results->unrealised($at->account, $at->asOf),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
        ]);
    }

    public function post(Request $request, KeepRate $keep): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->trim()->toString();
        $rate = Rate::of(
            Currency::of(strtoupper($text('currency'))),
            str_replace(',', '.', $text('rate')),
            Quote::tryFrom($text('quoted')) ?? throw new Refusal('Choose in which direction the rate is quoted.'),
        );
        $keep->post(FormKey::of($request, 'rate'), $rate, Day::of($text('date')), $text('reason'), $request->boolean('meant'));

        return redirect()->route('rates')->with('done', ['text' => 'Kept.', 'url' => route('currency'), 'link' => 'Currency']);
    }

    /** The simulated source gives the rates of a day, which come in like any file. */
    public function fetch(Request $request, RateSource $source, ImportFiles $import): RedirectResponse
    {
        $day = Day::of($request->string('date')->toString());
        $folder = sys_get_temp_dir().'/ajuste-rates-'.bin2hex(random_bytes(6));
        File::ensureDirectoryExists("{$folder}/in");
        try {
            File::put("{$folder}/in/rates-{$day}.xml", $source->ofDay($day));
            $report = $import->post(SourceFiles::at("{$folder}/in", $folder), RefusedRows::RefuseAll, 'the simulated rate source');
        } finally {
            File::deleteDirectory($folder);
        }
        if ($report->importId === null && $report->refused !== []) {
            throw new Refusal('The rates are refused: '.implode(' ', array_column($report->refused, 'expected')));
        }

        return redirect()->route('rates')->with(
            'done',
            ['text' => "The rates of {$day} are in.", 'url' => route('currency'), 'link' => 'Currency'],
        );
    }
}
