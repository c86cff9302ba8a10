<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Receipts\Decide;
use App\Actions\Receipts\ForgetPayer;
use App\Actions\Receipts\SetAsideRules;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Part;
use App\Queries\DeductionReasons;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What the books keep for the receipts: reasons for deductions, payers who are known, rules for what is not receivables. */
final class SettingsController
{
    public function index(Request $request, DeductionReasons $reasons, Settings $settings): string
    {
        $payers = DB::table('payers as p')
            ->join('customers as c', 'c.id', '=', 'p.customer_id')
            ->orderBy('p.name')
            ->get(['p.*', 'c.name as customer_name', 'c.customer'])
            ->all();

        return Part::of(view('settings.index', [
            'reasons' => $reasons->all(),
            'accounts' => $settings->accounts()->all(),
            'key' => bin2hex(random_bytes(16)),
            'payers' => ListWindow::of(
                $request,
                array_values($payers),
                static fn (stdClass $of): string => "{$of->name} {$of->bank_account} {$of->customer} {$of->customer_name}",
                [
                    'payer' => static fn (stdClass $of): string => $of->name,
                    'customer' => static fn (stdClass $of): string => "{$of->customer} {$of->customer_name}",
                ],
            ),
            'noPayer' => $payers === []
                ? 'Nobody yet. What a person decides for a payer is remembered here.'
                : 'No payer has these words.',
            'rules' => DB::table('set_aside_rules')->whereNull('withdrawn_at')->orderBy('id')->get(),
        ]), $request);
    }

    public function reason(Request $request, Decide $decide): RedirectResponse
    {
        $decide->keepReason(
            FormKey::of($request, 'reason'),
            $request->string('code')->toString(),
            $request->string('words')->toString(),
            $request->string('account')->toString(),
            $request->boolean('tax_relief'),
            $request->string('rate')->toString(),
            $request->boolean('names_invoice'),
        );

        return redirect()
            ->route('settings')
            ->with('done', ['text' => 'The reason is kept.']);
    }

    public function retire(Request $request, string $code, Decide $decide): RedirectResponse
    {
        $decide->retireReason(FormKey::of($request, 'retire'), $code);

        return redirect()
            ->route('settings')
            ->with('done', ['text' => 'The reason is no longer offered. What was posted with it stays.']);
    }

    public function forget(Request $request, ForgetPayer $payers): RedirectResponse
    {
        $payers->forget(FormKey::of($request, 'forget'), $request->string('name')->toString(), $request->string('account')->toString());

        return redirect()
            ->route('settings')
            ->with('done', ['text' => 'Forgotten.']);
    }

    public function withdraw(Request $request, int $rule, SetAsideRules $rules): RedirectResponse
    {
        $rules->withdraw(FormKey::of($request, 'rule'), $rule);

        return redirect()
            ->route('settings')
            ->with('done', ['text' => 'The rule is withdrawn. Lines that it set aside stay so until they are taken back.']);
    }
}
