<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Actions\Receipts\KeepBatch;
use App\Actions\Receipts\Way;
use App\Http\FormKey;
use App\Http\Paper;
use App\Http\ViewPoint;
use App\Queries\Batch;
use App\Queries\Batches;
use App\Queries\CustomerSearch;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Cheques, cash and transfers typed by hand, singly or as a batch with a declared total. */
final class BatchesController
{
    public function index(Request $request, Batches $batches, Settings $settings, ViewPoint $at): View
    {
        $all = $batches->all();
        $chosen = $request->integer('batch') !== 0 ? $batches->find($request->integer('batch')) : null;
        $requests = $chosen === null || $chosen->postedAt !== null ? [] : $batches->requests($chosen, $at->account);

        return view('batches.index', [
            'batches' => $all, 'chosen' => $chosen, 'requests' => array_column(array_map(static fn ($of): array => [$of->lineId, $of], $requests), 1, 0), 'base' => $settings->base(), 'key' => bin2hex(random_bytes(16)),
            'names' => $this->names($chosen), 'documents' => DB::table('items')->whereIn('root_id', array_merge([], ...array_map(static fn ($of): array => array_keys($of->typed), $requests)))->pluck('document', 'root_id')->all(),
            'last' => $settings->period()->last,
        ]);
    }

    public function open(Request $request, KeepBatch $keep): RedirectResponse
    {
        $id = $keep->open(
            FormKey::of($request, 'batch'), $request->string('reference')->toString(), $this->way($request), $request->string('account')->toString(), $request->string('date')->toString(), $request->string('declared')->toString(),
            $request->string('as')->toString() !== 'each',
        );

        return redirect()->route('batches', ['batch' => $id]);
    }

    public function declare(Request $request, int $batch, KeepBatch $keep): RedirectResponse
    {
        $keep->declare(FormKey::of($request, 'declare'), $batch, $request->string('declared')->toString(), $request->string('as')->toString() !== 'each');

        return redirect()->route('batches', ['batch' => $batch]);
    }

    public function type(Request $request, KeepBatch $keep, CustomerSearch $search): RedirectResponse
    {
        $batch = $request->integer('batch');
        $line = $keep->type(
            FormKey::of($request, 'type'), $batch === 0 ? null : $batch, $batch === 0 ? $this->way($request) : Way::Transfer, $request->string('account')->toString(), $request->string('date')->toString(),
            $search->one($request->string('who')->toString())->id, $request->string('amount')->toString(), $request->string('reference')->toString(), $request->string('pays')->toString(),
        );

        return $batch === 0
            ? redirect()->route('receipts', ['line' => $line])->with('done', ['text' => 'Typed. Say what it settles, and post it.'])
            : redirect()->route('batches', ['batch' => $batch]);
    }

    public function remove(Request $request, int $line, KeepBatch $keep): RedirectResponse
    {
        $keep->remove(FormKey::of($request, 'remove'), $line);

        return back()->with('done', ['text' => 'Taken out.']);
    }

    public function close(Request $request, int $batch, KeepBatch $keep): RedirectResponse
    {
        $keep->close(FormKey::of($request, 'close'), $batch);

        return redirect()->route('batches')->with('done', ['text' => 'The empty batch is dropped.']);
    }

    public function post(Request $request, int $batch, KeepBatch $keep, ViewPoint $at): RedirectResponse
    {
        $keep->post(FormKey::of($request, 'post-batch'), $batch, $at->account);

        return redirect()->route('batches', ['batch' => $batch])->with('done', ['text' => 'The batch is posted.']);
    }

    /** The register of a batch, before and after posting. */
    public function register(int $batch, Batches $batches, Settings $settings): Response
    {
        $of = $batches->find($batch);

        return Paper::pdf('batches.register', ['batch' => $of, 'names' => $this->names($of), 'base' => $settings->base()], "register-{$of->reference}");
    }

    /** Customers whose number, name, account or document begins a typed text; options for a field. */
    public function customers(Request $request, CustomerSearch $search): View
    {
        return view('batches.customers', ['hits' => $search->hits($request->string('who')->toString())]);
    }

    /** @return array<int, object> number and name by customer id */
    private function names(?Batch $batch): array
    {
        return DB::table('customers')->whereIn('id', array_map(static fn ($line): int => (int) $line->customerId, $batch->lines ?? []))->get(['id', 'customer', 'name'])->keyBy('id')->all();
    }

    private function way(Request $request): Way
    {
        return Way::tryFrom($request->string('way')->toString()) ?? throw new Refusal('Choose how it was paid: by cheque, in cash, or by transfer.');
    }
}
