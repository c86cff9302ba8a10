<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PaymentWay;
use App\Actions\Receipts\KeepBatch;
use App\Actions\Receipts\PostBatch;
use App\Http\FormKey;
use App\Http\Paper;
use App\Http\ViewPoint;
use App\Queries\Batch;
use App\Queries\Batches;
use App\Queries\CustomerSearch;
use App\Queries\MoneyAccounts;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Values\Alike;
use App\Values\BatchPosting;
use App\Values\TypedReceipt;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Cheques, cash and transfers typed by hand, singly or as a batch with a declared total. */
final class BatchesController
{
    public function index(Request $request, Batches $batches, MoneyAccounts $accounts, Settings $settings, ViewPoint $at): View
    {
        $all = $batches->all();
        $chosen = $request->integer('batch') !== 0 ? $batches->find($request->integer('batch')) : null;
        $requests = $chosen === null || $chosen->postedAt !== null ? [] : $batches->requests($chosen, $at->account);

        return view('batches.index', [
            'batches' => $all,
            'chosen' => $chosen,
            'requests' => array_column(array_map(static fn ($of): array => [$of->lineId, $of], $requests), 1, 0),
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
            'names' => $this->names($chosen),
            'documents' => DB::table('items')
                ->whereIn('root_id', array_merge([], ...array_map(static fn ($of): array => array_keys($of->takes), $requests)))
                ->pluck('document', 'root_id')
                ->all(),
            'last' => $settings->period()->last,
            'accounts' => $accounts->all(),
        ]);
    }

    public function open(Request $request, KeepBatch $keep, MoneyAccounts $accounts): RedirectResponse
    {
        $way = $this->way($request);
        $account = $accounts->numbered($request->string('account')->toString());
        $id = $keep->open(
            FormKey::of($request, 'batch'),
            $request->string('reference')->toString(),
            $way,
            $account,
            Day::of($request->string('date')->toString()),
            self::amount($request, 'declared', $accounts->currency($account ?? $accounts->of($way))),
            self::posting($request),
        );

        return redirect()->route('batches', ['batch' => $id]);
    }

    public function declare(Request $request, int $batch, KeepBatch $keep, Batches $batches): RedirectResponse
    {
        $declared = self::amount($request, 'declared', $batches->find($batch)->declared->currency);
        $date = Day::of($request->string('date')->toString());
        $keep->declare(FormKey::of($request, 'declare'), $batch, $declared, $date, self::posting($request));

        return redirect()->route('batches', ['batch' => $batch]);
    }

    public function type(
        Request $request,
        KeepBatch $keep,
        Batches $batches,
        MoneyAccounts $accounts,
        CustomerSearch $search,
        Positions $positions,
        Proposals $proposals,
        ViewPoint $at,
    ): RedirectResponse {
        $batch = $request->integer('batch') === 0 ? null : $batches->find($request->integer('batch'));
        $way = $batch->way ?? $this->way($request);
        $account = $batch->account ?? $accounts->numbered($request->string('account')->toString());
        $currency = $batch->declared->currency ?? $accounts->currency($account ?? $accounts->of($way));
        $customer = $search->one($request->string('who')->toString());
        $typed = new TypedReceipt(
            $way,
            $account,
            $batch->date ?? Day::of($request->string('date')->toString()),
            $customer->id,
            self::amount($request, 'amount', $currency),
            $request->string('reference')->toString(),
            $request->string('pays')->toString(),
            $request->boolean('both') ? Alike::Keep : Alike::Ask,
        );
        $line = $keep->type(FormKey::of($request, 'type'), $batch?->id, $typed);
        $unknown = $proposals->unknown($typed->pays, $positions->takeableOf($at->account->id, $customer->id, $typed->date));
        $said = $unknown === [] ? '' : ' Nothing open of '.$customer->name.' is called '.implode(', ', $unknown).'.';

        return $batch === null
            ? redirect()
                ->route('receipts', ['line' => $line])
                ->with('done', ['text' => "Typed. Say what it settles, and post it.{$said}"])
            : redirect()
                ->route('batches', ['batch' => $batch->id])
                ->with('done', $said === '' ? null : ['text' => "Added.{$said}"]);
    }

    public function remove(Request $request, int $line, KeepBatch $keep): RedirectResponse
    {
        $keep->remove(FormKey::of($request, 'remove'), $line);

        return back()->with('done', ['text' => 'Taken out.']);
    }

    public function close(Request $request, int $batch, KeepBatch $keep): RedirectResponse
    {
        $keep->close(FormKey::of($request, 'close'), $batch);

        return redirect()
            ->route('batches')
            ->with('done', ['text' => 'The empty batch is dropped.']);
    }

    public function post(Request $request, int $batch, PostBatch $post, ViewPoint $at): RedirectResponse
    {
        $post->post(FormKey::of($request, 'post-batch'), $batch, $at->account);

        return redirect()
            ->route('batches', ['batch' => $batch])
            ->with('done', ['text' => 'The batch is posted.']);
    }

    /** The register of a batch, before and after posting. */
    public function register(int $batch, Batches $batches, Settings $settings): Response
    {
        $of = $batches->find($batch);

        return Paper::pdf(
            'batches.register',
            ['batch' => $of, 'names' => $this->names($of), 'placed' => $batches->placed($of), 'base' => $settings->base()],
            "register-{$of->reference}",
        );
    }

    /** Customers whose number, name, account or document begins a typed text; options for a field. */
    public function customers(Request $request, CustomerSearch $search): View
    {
        return view('batches.customers', ['hits' => $search->hits($request->string('who')->toString())]);
    }

    /** @return array<int, object> number and name by customer id */
    private function names(?Batch $batch): array
    {
        return DB::table('customers')
            ->whereIn('id', array_map(static fn ($line): int => (int) $line->origin->customerId, $batch->lines ?? []))
            ->get(['id', 'customer', 'name'])
            ->keyBy('id')
            ->all();
    }

    private function way(Request $request): PaymentWay
    {
        return PaymentWay::tryFrom($request->string('way')->toString()) ??
            throw new Refusal('Choose how it was paid: by cheque, in cash, or by transfer.');
    }

    /** @throws Refusal when it cannot be read */
    private static function amount(Request $request, string $field, Currency $currency): Money
    {
        return TypedAmount::read($request->string($field)->toString(), $currency);
    }

    private static function posting(Request $request): BatchPosting
    {
        return $request->string('as')->toString() === 'each' ? BatchPosting::OneByOne : BatchPosting::AsOne;
    }
}
