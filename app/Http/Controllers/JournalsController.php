<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use App\Actions\ExportJournals;
use App\Actions\Proof\CorrectCause;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\Say;
use App\Models\AuditRecord;
use App\Models\Customer;
use App\Models\Settlement;
use App\Models\Voucher;
use App\Queries\Dependents;
use App\Queries\HomeToTheLedger;
use App\Queries\Matches;
use App\Queries\Settings;
use App\Queries\Standing;
use App\Queries\VoucherState;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;

final class JournalsController
{
    public function index(Request $request, HomeToTheLedger $home, Settings $settings): string
    {
        $base = $settings->base();
        $ids = $home->ids();

        return Part::of(view('journals.index', [
            'window' => ListWindow::fetched(
                $request,
                $ids,
                $home->vouchers(...),
                static fn (VoucherState $of): string => "{$of->number} ".Say::day($of->date)." {$of->text} "
                    .Money::ofMinor($of->total, $base)->grouped()." {$of->who} {$of->state}",
                [
                    'number' => static fn (VoucherState $of): string => $of->number,
                    'date' => static fn (VoucherState $of): string => $of->date,
                    'text' => static fn (VoucherState $of): string => $of->text,
                    'amount' => static fn (VoucherState $of): int => $of->total,
                    'who' => static fn (VoucherState $of): string => $of->who,
                    'state' => static fn (VoucherState $of): string => $of->state,
                ],
            ),
            'none' => $ids === [] ? 'Nothing has been posted yet.' : 'No voucher has these words.',
            'base' => $base,
            'settlements' => DB::table('settlements')->count(),
        ]), $request);
    }

    public function voucher(Voucher $voucher, Settings $settings, HomeToTheLedger $home, Standing $standing): View
    {
        return view('journals.voucher', [
            'voucher' => $voucher,
            'accounts' => $settings->accounts(),
            'base' => $settings->base(),
            'state' => $home->stateOf($voucher->id),
            'reversedBy' => Voucher::query()->where('reverses_id', $voucher->id)->first(),
            'reverses' => Voucher::query()->find($voucher->reverses_id ?? 0),
            'key' => bin2hex(random_bytes(16)),
            'reversible' => $standing->refusal($voucher) === null,
        ]);
    }

    public function match(Settlement $settlement, Matches $matches, Dependents $dependents, Settings $settings): View
    {
        return view('journals.match', [
            'settlement' => $settlement,
            'customer' => Customer::query()->findOrFail($settlement->customer_id),
            'matches' => $matches->ofSettlement($settlement->id),
            'vouchers' => Voucher::query()->where('settlement_id', $settlement->id)->orderBy('id')->get(),
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
            'date' => $settings->locked()->firstOpenFrom($settlement->date),
            'dependents' => $dependents->ofMatch($settlement->id),
        ]);
    }

    public function reverse(Request $request, int $voucher, CorrectCause $correct): RedirectResponse
    {
        $correct->reverseVoucher(FormKey::of($request, 'reverse-voucher'), $voucher, $request->string('reason')->toString());

        return redirect()
            ->route('voucher', $voucher)
            ->with('done', ['text' => 'Reversed.']);
    }

    public function export(Request $request, string $what, ExportJournals $export): Response
    {
        $since = $request->string('since')->toString();
        $since = $since === '' ? null : Day::of($since);
        $csv = match ($what) {
            'items' => $export->items($since),
            'matches' => $export->matches($since),
            'supplier_items' => $export->supplierItems($since),
            'supplier_matches' => $export->supplierMatches($since),
            default => $export->journals($since),
        };

        return Download::send($csv, "{$what}.csv", 'text/csv; charset=UTF-8');
    }

    public function trail(Request $request): View
    {
        $subject = $request->string('subject')->toString();

        return view('journals.trail', [
            'records' => AuditRecord::query()
                ->when($subject !== '', static fn ($query) => $query->where('subject', $subject))
                ->orderByDesc('id')
                ->simplePaginate(100)
                ->withQueryString(),
        ]);
    }
}
