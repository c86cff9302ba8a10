<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\KeepAllowance;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Http\WorktopForm;
use App\Queries\AgedHistory;
use App\Queries\Settings;
use App\Values\SpecificRequest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** What the allowance is made of. The run itself is one of the closing runs. */
final class AllowanceController
{
    public function specific(Request $request, KeepAllowance $keep, Settings $settings): RedirectResponse
    {
        $keep->specific(FormKey::of($request, 'specific'), new SpecificRequest(
            $request->string('customer')->trim()->toString(),
            $request->string('document')->trim()->toString(),
            WorktopForm::amount($request->string('amount')->toString(), $settings->base()),
            $request->string('percent')->trim()->toString(),
            $request->string('reason')->toString(),
            self::day($request),
        ));

        return self::done('Kept. The matrix is counted without it.');
    }

    public function overlay(Request $request, KeepAllowance $keep, Settings $settings): RedirectResponse
    {
        $base = $settings->base();
        $amount = WorktopForm::amount($request->string('amount')->toString(), $base) ?? Money::zero($base);
        $signed = $request->string('side')->toString() === 'less' ? $amount->negated() : $amount;
        $keep->overlay(FormKey::of($request, 'overlay'), $signed, $request->string('reason')->toString(), self::day($request));

        return self::done('Kept as a line of its own.');
    }

    public function endOverlay(Request $request, int $overlay, KeepAllowance $keep): RedirectResponse
    {
        $keep->endOverlay(FormKey::of($request, 'end-overlay'), $overlay);

        return self::done('Ended.');
    }

    /** Loss rates worked out from how the columns rolled into each other. */
    public function history(ViewPoint $at, Settings $settings, AgedHistory $history): View
    {
        $rates = $history->rollRates($at->account, $at->asOf);

        return view('runs.loss-history', [
            'rates' => $rates,
            'months' => ($rates[''] ?? null)->months ?? 0,
            'asOf' => $at->asOf,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    /** They become the rates of a group, with where they come from. */
    public function takeHistory(Request $request, ViewPoint $at, KeepAllowance $keep, AgedHistory $history): RedirectResponse
    {
        $group = $request->string('group')->toString();
        $rates = $history->rollRates($at->account, $at->asOf)[$group] ?? throw Refusal::notFound('There is no such group.');
        $key = FormKey::of($request, 'loss-history');
        foreach ($rates->columns as $column) {
            $rate = $column->loss ?? throw new Refusal('The books do not say what of each column is lost. Type the rates.');
            $source = "roll rates of {$rates->months} periods to {$at->asOf}";
            $keep->rate("{$key}-{$column->label}", $group, $column->label, (string) $rate, $source);
        }

        return self::done('Kept. The matrix is counted with these rates.');
    }

    public function rate(Request $request, KeepAllowance $keep): RedirectResponse
    {
        $keep->rate(
            FormKey::of($request, 'loss-rate'),
            $request->string('group')->toString(),
            $request->string('bucket')->toString(),
            $request->string('rate')->toString(),
            $request->string('source')->toString(),
        );

        return self::done('Kept. The matrix is counted with it.');
    }

    private static function day(Request $request): string
    {
        $day = $request->string('review')->toString();

        return $day === '' ? '' : Day::of($day);
    }

    private static function done(string $text): RedirectResponse
    {
        return redirect()->route('allowance')->with('done', ['text' => $text]);
    }
}
