<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PresentCreditBalances;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Models\Run;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;

final class CreditBalancesController
{
    public function index(ViewPoint $at, Settings $settings, PresentCreditBalances $action): View
    {
        $plan = $action->plan($at->account, $at->asOf);
        $standing = $action->standing($at->account, $at->asOf);

        return view('credit-balances.index', [
            'plan' => $plan, 'standing' => $standing, 'current' => $standing !== null && $action->isCurrent($standing, $plan), 'key' => bin2hex(random_bytes(16)), 'base' => $settings->base(),
            'runs' => Run::query()->where(['kind' => PresentCreditBalances::KIND, 'account_id' => $at->account->id])->orderByDesc('id')->limit(20)->get(),
            'reversals' => DB::table('run_reversals')->get()->keyBy('run_id'),
        ]);
    }

    public function post(Request $request, ViewPoint $at, PresentCreditBalances $action): RedirectResponse
    {
        $run = $action->post(FormKey::of($request, 'present'), $at->account, $at->asOf);

        return redirect()->route('credit-balances')->with('done', ['text' => "Posted run {$run} with its day-one reversal."]);
    }

    public function reverse(Request $request, int $run, PresentCreditBalances $action): RedirectResponse
    {
        $action->reverseRun(FormKey::of($request, 'reverse-run'), $run, $request->string('reason')->toString());

        return redirect()->route('credit-balances')->with('done', ['text' => "Run {$run} is reversed."]);
    }
}
