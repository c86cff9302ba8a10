<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Subledger\Kind;
use App\Actions\Receipts\ReverseReceipt;
use App\Actions\ReverseDocument;
use App\Actions\ReverseSettlement;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Models\Item;
use App\Queries\CustomerSearch;
use App\Queries\Dependents;
use App\Queries\PostedDocuments;
use App\Queries\PostedReceipts;
use App\Queries\Settings;
use App\Values\ContraAccount;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The ways back: what hangs on a document is shown first, and undone with it. */
final class ReversalsController
{
    public function show(
        int $item,
        PostedDocuments $documents,
        PostedReceipts $receipts,
        Dependents $dependents,
        Settings $settings,
        ViewPoint $at,
    ): View {
        $document = Item::query()->where('root_id', $item)->whereNull('superseded_at')->firstOrFail();
        $hangs = $dependents->of($item);
        $isReceipt = in_array(Kind::from($document->kind), [Kind::Receipt, Kind::Deposit], true);

        return view('documents.reverse', [
            'item' => $document,
            'customer' => Customer::query()->findOrFail($document->customer_id),
            'dependents' => $hangs,
            'seen' => Dependents::digest($hangs),
            'isReceipt' => $isReceipt,
            'refusal' => $isReceipt ? $receipts->refusal($item) : $documents->refusal($document),
            'placedHere' => $receipts->placement($item) !== null,
            'knows' => $isReceipt || $documents->knowsItsPosting($document),
            'accounts' => $settings->accounts()->all(),
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
            'today' => $settings->locked()->firstOpenFrom(max($at->asOf, $document->date)),
            'ownDay' => $settings->locked()->firstOpenFrom($document->date),
        ]);
    }

    public function post(Request $request, int $item, ReverseDocument $reverse, Settings $settings): RedirectResponse
    {
        $account = $request->string('account')->toString();
        $against =
            $account === '' ? null : new ContraAccount($settings->accounts()->numbered($account), $request->string('rate')->toString());
        $reverse->post(
            FormKey::of($request, 'take-back'),
            $item,
            Day::of($request->string('date')->toString()),
            $request->string('reason')->toString(),
            $against,
            $request->string('seen')->toString(),
        );

        return redirect()
            ->route('document', $item)
            ->with('done', ['text' => 'Taken back. Both stay, and name each other.']);
    }

    public function move(Request $request, int $item, ReverseReceipt $reverse, CustomerSearch $search): RedirectResponse
    {
        $to = $search->one($request->string('who')->toString());
        $moved = $reverse->move(
            FormKey::of($request, 'move'),
            $item,
            $to->id,
            Day::of($request->string('date')->toString()),
            $request->string('reason')->toString(),
        );

        return redirect()
            ->route('unapplied', ['customer' => $to->id])
            ->with('done', [
                'text' => "With {$to->name} now, and unapplied.",
                'url' => route('document', $moved),
                'link' => 'Open the receipt',
            ]);
    }

    public function matchLine(Request $request, int $match, ReverseSettlement $reverse): RedirectResponse
    {
        $reverse->oneLine(
            FormKey::of($request, 'line-back'),
            $match,
            Day::of($request->string('date')->toString()),
            $request->string('reason')->toString(),
        );

        return back()->with('done', ['text' => 'The line is reversed; the rest of the match stands.']);
    }
}
