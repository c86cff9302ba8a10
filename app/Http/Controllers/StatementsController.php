<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use App\Actions\SendStatement;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\MeasureFigures;
use App\Queries\Settings;
use App\Queries\Statements;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** What leaves the close: statements to customers, and the measures of the period. */
final class StatementsController
{
    public function pdf(Request $request, Customer $customer, ViewPoint $at, Settings $settings, Statements $statements): Response
    {
        $found = $statements->of(
            $settings->controlAccountOf($customer->id),
            $customer->id,
            self::from($request, $at, $settings),
            $at->asOf,
        );

        return $found === []
            ? abort(404)
            : Download::send($statements->pdf($found), "statement-{$customer->customer}-{$at->asOf}.pdf", 'application/pdf');
    }

    public function send(Request $request, Customer $customer, ViewPoint $at, Settings $settings, SendStatement $send): RedirectResponse
    {
        $account = $settings->controlAccountOf($customer->id);
        $send->post(FormKey::of($request, 'statement'), $account, $customer->id, self::from($request, $at, $settings), $at->asOf);

        return redirect()
            ->route('customer', $customer->id)
            ->with('done', ['text' => "Sent to {$customer->email}.", 'url' => route('outbox'), 'link' => 'Open the outbox']);
    }

    public function measures(ViewPoint $at, Settings $settings, MeasureFigures $figures): View
    {
        return view('aged.measures', [
            'measures' => $figures->of($at->account, $at->asOf),
            'period' => $settings->calendar()->containing($at->asOf),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
        ]);
    }

    private static function from(Request $request, ViewPoint $at, Settings $settings): string
    {
        $from = $request->string('from')->toString();

        return $from === '' ? $settings->calendar()->containing($at->asOf)->first : Day::of($from);
    }
}
