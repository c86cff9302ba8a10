<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\ViewPoint;
use App\Models\Account;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Models\Voucher;
use App\Queries\Matches;
use App\Queries\Positions;
use App\Queries\ProofLines;
use App\Queries\Search;
use App\Queries\Settings;
use App\Queries\SourceRow;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;

/** The pages that figures open into: a document, a customer, an account's postings, and what a search found. */
final class BooksController
{
    public function document(int $item, Matches $matches, Settings $settings, SourceRow $source): View
    {
        $versions = Item::query()->where('root_id', $item)->orderBy('version')->get();
        $current = $versions->last() ?? abort(404);

        return view('documents.item', [
            'item' => $current, 'versions' => $versions, 'customer' => Customer::query()->findOrFail($current->customer_id), 'matches' => $matches->ofItem($item), 'base' => $settings->base(),
            'position' => DB::table('item_positions')->where('item_id', $item)->first(), 'account' => $settings->accounts()->withId($current->control_account_id),
            'postings' => Posting::query()->whereNull('superseded_at')->where('account_id', $current->control_account_id)
                ->where(static fn ($query) => $query->where('document', $current->document)->when($current->entry !== '', static fn ($inner) => $inner->orWhere('entry', $current->entry))->when($current->batch !== '', static fn ($inner) => $inner->orWhere('batch', $current->batch)))
                ->orderBy('date')->limit(50)->get(),
            'lines' => DB::table('item_lines')->where('document', $current->document)->orderBy('id')->get(), 'net' => (int) DB::table('item_lines')->where('document', $current->document)->sum('net'),
            'tax' => (new ProofLines($current->control_account_id))->tax([$item])[$item] ?? 0,
            'differences' => Item::query()->where('source_item_id', $item)->whereNull('superseded_at')->orderBy('id')->get(),
            'related' => Item::query()->whereNull('superseded_at')->where('customer_id', $current->customer_id)->where('root_id', '<>', $item)
                ->where(static fn ($query) => $query->where('document', $current->document)->orWhere('reference', $current->document)->when($current->reference !== '', static fn ($inner) => $inner->orWhere('document', $current->reference)))->limit(20)->get(),
            'source' => $source->of($current->import_file_id, $current->source_row), 'voucher' => Voucher::query()->find($current->voucher_id ?? 0),
        ]);
    }

    public function posting(Posting $posting, Settings $settings, SourceRow $source): View
    {
        return view('ledger.posting', [
            'posting' => $posting, 'account' => $settings->accounts()->withId($posting->account_id), 'accounts' => $settings->accounts(), 'base' => $settings->base(),
            'entry' => Posting::query()->where('entry', $posting->entry)->whereNull('superseded_at')->orderBy('id')->limit(200)->get(),
            'sums' => Posting::query()->where('entry', $posting->entry)->whereNull('superseded_at')->selectRaw('count(*) AS lines, sum(max(base, 0)) AS debits, -sum(min(base, 0)) AS credits')->toBase()->first(),
            'source' => $source->of($posting->import_file_id, $posting->source_row), 'voucher' => Voucher::query()->find($posting->voucher_id ?? 0),
            'items' => $posting->document === '' ? collect() : Item::query()->where('document', $posting->document)->whereNull('superseded_at')->limit(20)->get(),
        ]);
    }

    public function customer(Customer $customer, ViewPoint $at, Positions $positions, Settings $settings): View
    {
        return view('customers.show', [
            'customer' => $customer, 'open' => $positions->openItems($at->account->id, $customer->id, $at->asOf), 'base' => $settings->base(),
            'balance' => (int) Item::query()->where('customer_id', $customer->id)->where('control_account_id', $at->account->id)->where('date', '<=', $at->asOf)->whereNull('superseded_at')->sum(DB::raw("CASE side WHEN 'debit' THEN base ELSE -base END")),
            'items' => Item::query()->where('customer_id', $customer->id)->where('control_account_id', $at->account->id)->where('date', '<=', $at->asOf)->whereNull('superseded_at')->orderByDesc('date')->orderByDesc('id')->simplePaginate(100)->withQueryString(),
        ]);
    }

    public function account(string $account, Request $request, ViewPoint $at, Settings $settings): View
    {
        $found = Account::query()->where('account', $account)->firstOrFail();
        $day = $request->string('day')->toString();
        $postings = Posting::query()->where('account_id', $found->id)->whereNull('superseded_at')->when(
            $day === '', static fn ($query) => $query->where('date', '<=', $at->asOf), static fn ($query) => $query->where('date', $day),
        );

        return view('ledger.account', [
            'account' => $found, 'base' => $settings->base(), 'day' => $day, 'sum' => (int) (clone $postings)->sum('base'), 'count' => (clone $postings)->count(),
            'postings' => $postings->orderByDesc('date')->orderByDesc('id')->simplePaginate(200)->withQueryString(),
        ]);
    }

    public function search(Request $request, Search $search, Settings $settings): View|RedirectResponse
    {
        $asked = trim($request->string('q')->toString());
        $found = $search->for($asked);
        if ($found->only !== null) {
            return redirect($found->only);
        }

        return view('search', ['asked' => $asked, 'found' => $found, 'base' => $settings->base()]);
    }
}
