<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Actions\CarryOut;
use App\Actions\SendStatement;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\Say;
use App\Http\ViewPoint;
use App\Http\WorktopForm;
use App\Models\Customer;
use App\Queries\MeasureFigures;
use App\Queries\Settings;
use App\Queries\StatementRun;
use App\Queries\Statements;
use App\Queries\StatementTo;
use App\Support\Actor;
use App\Values\StatementFilter;
use App\Values\WorkKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** What leaves the close: statements to customers, and the measures of the period. */
final class StatementsController
{
    /** So many statements go into one file. */
    private const PRINTED = 200;

    public function pdf(Request $request, Customer $customer, ViewPoint $at, Settings $settings, Statements $statements): Response
    {
        $found = $statements->of(
            $settings->controlAccountOf($customer->id),
            $customer->id,
            $at->since($request),
            $at->asOf,
        );

        return $found === []
            ? abort(404)
            : Download::send($statements->pdf($found), "statement-{$customer->customer}-{$at->asOf}.pdf", 'application/pdf');
    }

    public function send(Request $request, Customer $customer, ViewPoint $at, Settings $settings, SendStatement $send): RedirectResponse
    {
        $account = $settings->controlAccountOf($customer->id);
        $send->post(FormKey::of($request, 'statement'), $account, $customer->id, $at->since($request), $at->asOf);

        return redirect()
            ->route('customer', $customer->id)
            ->with('done', ['text' => "Sent to {$customer->email}.", 'url' => route('outbox'), 'link' => 'Open the outbox']);
    }

    /** All customers who get one, and how far sending is. */
    public function index(Request $request, ViewPoint $at, Settings $settings, StatementRun $run): string
    {
        $counted = $this->counted($request, $at, $settings, $run);

        return Part::of(view('aged.statements', [
            ...$counted,
            'window' => ListWindow::of(
                $request,
                $counted['to'],
                static fn (StatementTo $of): string => "{$of->title} {$of->email} ".Say::balance($of->total),
                [
                    'customer' => static fn (StatementTo $of): string => $of->title,
                    'address' => static fn (StatementTo $of): string => $of->email,
                    'balance' => static fn (StatementTo $of): int => $of->total->minor,
                    'overdue' => static fn (StatementTo $of): int => $of->late->minor,
                    'sent' => static fn (StatementTo $of): string => $of->sentAt,
                ],
            ),
            'groups' => $run->groups(),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
        ]), $request);
    }

    /** Sends to all who fit, as work beside the pages. */
    public function sendAll(Request $request, ViewPoint $at, Settings $settings, Actor $actor): RedirectResponse
    {
        $page = route('statements', self::asked($request), false);
        $content = [
            ...self::filter($request, $settings)->toArray(),
            'account' => $at->account->number,
            'from' => $at->since($request),
            'to' => $at->asOf,
            'page' => $page,
        ];

        return redirect()->route('work', CarryOut::begin(WorkKind::Statements, FormKey::of($request, 'statements'), $content, $actor));
    }

    /** All in one file, for print. */
    public function all(Request $request, ViewPoint $at, Settings $settings, StatementRun $run, Statements $statements): Response
    {
        $to = $run->of($at->account, $at->asOf, self::filter($request, $settings));
        if (count($to) > self::PRINTED) {
            throw new Refusal(count($to).' statements are too many for one file; narrow the filter to '.self::PRINTED.' or send them.');
        }
        $found = [];
        foreach ($to as $of) {
            array_push($found, ...$statements->of($at->account, $of->customerId, $at->since($request), $at->asOf));
        }

        return $found === [] ? abort(404) : Download::send($statements->pdf($found), "statements-{$at->asOf}.pdf", 'application/pdf');
    }

    /** @return array<string, mixed> */
    private function counted(Request $request, ViewPoint $at, Settings $settings, StatementRun $run): array
    {
        $to = $run->of($at->account, $at->asOf, self::filter($request, $settings));

        return [
            'to' => $to,
            'waiting' => count(array_filter($to, static fn (StatementTo $of): bool => $of->waits())),
            'sent' => count(array_filter($to, static fn (StatementTo $of): bool => $of->sentAt !== '')),
            'without' => count(array_filter($to, static fn (StatementTo $of): bool => $of->email === '')),
            'asked' => self::asked($request),
        ];
    }

    /** @return array<string, string> what was filled in of the form that says who gets one */
    private static function asked(Request $request): array
    {
        return array_filter(
            $request->only(['overdue', 'least', 'group', 'from']),
            static fn (mixed $of): bool => is_string($of) && $of !== '',
        );
    }

    private static function filter(Request $request, Settings $settings): StatementFilter
    {
        return new StatementFilter(
            $request->boolean('overdue'),
            WorktopForm::amount($request->string('least')->toString(), $settings->base()),
            $request->string('group')->trim()->toString(),
        );
    }

    public function measures(ViewPoint $at, Settings $settings, MeasureFigures $figures): View
    {
        return view('aged.measures', [
            'measures' => $figures->of($at->account, $at->asOf),
            'period' => $at->period,
            'asOf' => $at->asOf,
            'base' => $settings->base(),
        ]);
    }
}
