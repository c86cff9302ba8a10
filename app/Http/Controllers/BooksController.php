<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Credit\CreditWatch;
use Ajuste\Core\Ledger\Account as CoreAccount;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Receipts\Decide;
use App\Actions\Receipts\SendReceipt;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\Pictures\BalancePicture;
use App\Http\ViewPoint;
use App\Models\Account;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Models\Voucher;
use App\Queries\Contested;
use App\Queries\CreditWatches;
use App\Queries\CustomerHistory;
use App\Queries\DiscountOffers;
use App\Queries\DocumentHistory;
use App\Queries\Matches;
use App\Queries\Positions;
use App\Queries\PostedMoney;
use App\Queries\ProofLines;
use App\Queries\ReceiptPaper;
use App\Queries\RefundList;
use App\Queries\Reports;
use App\Queries\Search;
use App\Queries\Settings;
use App\Queries\SourceRow;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** The pages that figures open into: a document, a customer, an account's postings, and what a search found. */
final class BooksController
{
    public function document(
        int $item,
        Matches $matches,
        Settings $settings,
        SourceRow $source,
        ViewPoint $at,
        Positions $positions,
        DiscountOffers $offers,
        PostedMoney $money,
        Contested $contested,
        DocumentHistory $history,
        CreditWatches $watches,
    ): View {
        $current = Item::query()->where('root_id', $item)->whereNull('superseded_at')->firstOrFail();

        $open = $positions->find($item);
        $isReceipt = in_array($open->kind, [Kind::Receipt, Kind::Deposit], true);

        return view('documents.item', [
            'offer' => $open->kind->isInvoice()
                ? ($offers->of([$open])[$open->id] ?? null)?->discount
                : null,
            'decision' => $offers->decisions([$open])[$item] ?? null,
            'contested' => $contested->of([$open], $at->asOf)[$item] ?? [],
            'isInvoice' => $open->kind->isInvoice(),
            'creditNote' => DB::table('credit_notes')->where('item_id', $item)->first(),
            'reversal' => DB::table('item_reversals')->where('item_id', $item)->orWhere('by_item_id', $item)->first(),
            'isReceipt' => $isReceipt,
            'moneyLines' => $isReceipt ? $money->linesOf($item, $current->entry) : [],
            'key' => bin2hex(random_bytes(16)),
            'today' => $settings->locked()->firstOpenFrom(max($at->asOf, $current->date)),
            'item' => $current,
            'history' => $history->of($item),
            'customer' => Customer::query()->findOrFail($current->customer_id),
            'matches' => $matches->ofItem($item),
            'base' => $settings->base(),
            'position' => DB::table('item_positions')->where('item_id', $item)->first(),
            'account' => $settings->accounts()->withId($current->control_account_id),
            'postings' => self::postingsOf($current),
            'lines' => DB::table('item_lines')->where('document', $current->document)->orderBy('id')->get(),
            'net' => (int) DB::table('item_lines')->where('document', $current->document)->sum('net'),
            'tax' => ProofLines::all($current->control_account_id)->tax([$item])[$item] ?? 0,
            'differences' => Item::query()->where('source_item_id', $item)->whereNull('superseded_at')->orderBy('id')->get(),
            'related' => self::relatedTo($current),
            'source' => $source->of($current->import_file_id, $current->source_row),
            'voucher' => Voucher::query()->find($current->voucher_id ?? 0),
            'watch' => ($watches->of($at->account, $at->asOf, [$current->customer_id])[$current->customer_id] ?? null)?->ofItem($item),
        ]);
    }

    /** @return list<int> the documents of which a promise or a security is kept */
    private static function documentsOf(?CreditWatch $watch): array
    {
        return array_values(array_filter(array_column([...$watch->promises ?? [], ...$watch->securities ?? []], 'itemId')));
    }

    /** @return Collection<int, Posting> on the control account: of the document, its entry or its batch */
    private static function postingsOf(Item $current): Collection
    {
        return Posting::query()
            ->whereNull('superseded_at')
            ->where('account_id', $current->control_account_id)
            ->where(
                static fn ($query) => $query
                    ->where('document', $current->document)
                    ->when($current->entry !== '', static fn ($inner) => $inner->orWhere('entry', $current->entry))
                    ->when($current->batch !== '', static fn ($inner) => $inner->orWhere('batch', $current->batch)),
            )
            ->orderBy('date')
            ->limit(50)
            ->get();
    }

    /** @return Collection<int, Item> other items of the customer that name the document, or are named by it */
    private static function relatedTo(Item $current): Collection
    {
        return Item::query()
            ->whereNull('superseded_at')
            ->where('customer_id', $current->customer_id)
            ->where('root_id', '<>', $current->root_id)
            ->where(
                static fn ($query) => $query
                    ->where('document', $current->document)
                    ->orWhere('reference', $current->document)
                    ->when($current->reference !== '', static fn ($inner) => $inner->orWhere('document', $current->reference)),
            )
            ->limit(20)
            ->get();
    }

    /** The document of a receipt for its payer. */
    public function receiptPaper(int $item, ViewPoint $at, ReceiptPaper $paper): Response
    {
        $of = $paper->of($item, $at->asOf);

        return Download::send($paper->pdf($of), "receipt-{$of->item->document}.pdf", 'application/pdf');
    }

    public function sendReceipt(Request $request, int $item, ViewPoint $at, SendReceipt $send): RedirectResponse
    {
        $send->post(FormKey::of($request, 'send'), $item, $at->asOf);

        return redirect()
            ->route('document', $item)
            ->with('done', ['text' => 'Sent.', 'url' => route('outbox'), 'link' => 'Open the outbox']);
    }

    public function endContest(Request $request, int $contested, Decide $decide): RedirectResponse
    {
        $decide->endContest(
            FormKey::of($request, 'contest'),
            $contested,
            $request->string('date')->toString(),
            $request->string('reason')->toString(),
        );

        return back()->with('done', ['text' => 'No longer contested.']);
    }

    public function posting(Posting $posting, Settings $settings, SourceRow $source): View
    {
        return view('ledger.posting', [
            'posting' => $posting,
            'account' => $settings->accounts()->withId($posting->account_id),
            'accounts' => $settings->accounts(),
            'base' => $settings->base(),
            'entry' => Posting::query()->where('entry', $posting->entry)->whereNull('superseded_at')->orderBy('id')->limit(200)->get(),
            'sums' => Posting::query()
                ->where('entry', $posting->entry)
                ->whereNull('superseded_at')
                ->selectRaw('count(*) AS lines, sum(max(base, 0)) AS debits, -sum(min(base, 0)) AS credits')
                ->toBase()
                ->first(),
            'source' => $source->of($posting->import_file_id, $posting->source_row),
            'voucher' => Voucher::query()->find($posting->voucher_id ?? 0),
            'items' => $posting->document === ''
                    ? collect()
                    : Item::query()->where('document', $posting->document)->whereNull('superseded_at')->limit(20)->get(),
        ]);
    }

    public function customer(
        Customer $customer,
        ViewPoint $at,
        Positions $positions,
        Settings $settings,
        Contested $contested,
        CustomerHistory $history,
        Reports $reports,
        RefundList $refunds,
        CreditWatches $watches,
    ): View {
        $open = $positions->openOf($at->account->id, $customer->id, $at->asOf);

        return view('customers.show', [
            'picture' => new BalancePicture(
                $history->balance($at->account->id, $customer->id, $at->yearBack(), $at->asOf),
                $settings->base(),
            ),
            'supplier' => (string) DB::table('suppliers')
                ->where('id', $customer->supplier_id ?? 0)
                ->value('name'),
            'late' => $history->daysToPay($at->account->id, $customer->id, $at->asOf)->late(),
            'key' => bin2hex(random_bytes(16)),
            'today' => $settings->locked()->firstOpenFrom($at->asOf),
            'ibanChanged' => $refunds->ibanChangedAt($customer->id),
            'aged' => $reports->agedOf($at->account, $at->asOf, $customer->id, $at->knownAt),
            'messages' => DB::table('outbox')
                ->where('recipient', $customer->email)
                ->where('recipient', '<>', '')
                ->orderByDesc('id')
                ->limit(20)
                ->get(['id', 'subject', 'recorded_at']),
            'watch' => $watch = $watches->of($at->account, $at->asOf, [$customer->id])[$customer->id] ?? null,
            'titles' => $positions->titles(self::documentsOf($watch)),
            'customer' => $customer,
            'open' => $open,
            'openById' => array_column(array_map(static fn (OpenItem $item): array => [$item->id, $item], $open), 1, 0),
            'contested' => $contested->of($open, $at->asOf),
            'deposits' => array_merge(
                ...array_map(
                    static fn (CoreAccount $account): array => $positions->openOf($account->id, $customer->id, $at->asOf),
                    $settings->accounts()->allWithRole(AccountRole::CustomerDeposits),
                ),
            ),
            'base' => $settings->base(),
            'balance' => $positions->balance($at->account->id, $customer->id, $at->asOf),
            'items' => $history->documents($at->account->id, $customer->id, $at->asOf)->simplePaginate(100)->withQueryString(),
        ]);
    }

    public function account(string $account, Request $request, ViewPoint $at, Settings $settings): View
    {
        $found = Account::query()->where('account', $account)->firstOrFail();
        $day = $request->string('day')->toString();
        $postings = Posting::query()
            ->where('account_id', $found->id)
            ->whereNull('superseded_at')
            ->when(
                $day === '',
                static fn ($query) => $query->where('date', '<=', $at->asOf),
                static fn ($query) => $query->where('date', $day),
            );

        return view('ledger.account', [
            'account' => $found,
            'base' => $settings->base(),
            'day' => $day,
            'sum' => (int) (clone $postings)->sum('base'),
            'count' => (clone $postings)->count(),
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
