<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Run\RunKind;
use App\Actions\PresentCreditBalances;
use App\Actions\ReverseRun;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\Runs;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class CreditBalancesController
{
    public function index(ViewPoint $at, Settings $settings, PresentCreditBalances $action, Runs $runs): View
    {
        $plan = $action->plan($at->account, $at->asOf);
        $standing = $action->standing($at->account, $at->asOf);

        return view('credit-balances.index', [
            'plan' => $plan,
            'standing' => $standing,
            'current' => $standing !== null && $action->isCurrent($standing, $plan),
            'key' => bin2hex(random_bytes(16)),
            'base' => $settings->base(),
            'runs' => $runs->latest(RunKind::CreditBalances, $at->account->id),
            'reversals' => $runs->reversals(),
        ]);
    }

    public function post(Request $request, ViewPoint $at, PresentCreditBalances $action): RedirectResponse
    {
        $run = $action->post(FormKey::of($request, 'present'), $at->account, $at->asOf);

        return redirect()
            ->route('credit-balances')
            ->with('done', ['text' => "Posted run {$run} with its day-one reversal."]);
    }

    public function reverse(Request $request, int $run, ReverseRun $reverse): RedirectResponse
    {
        $reverse->post(FormKey::of($request, 'reverse-run'), RunKind::CreditBalances, $run, $request->string('reason')->toString());

        return redirect()
            ->route('credit-balances')
            ->with('done', ['text' => "Run {$run} is reversed."]);
    }
}
