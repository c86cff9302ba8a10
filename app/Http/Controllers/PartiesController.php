<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Contra\Agreement;
use Ajuste\Core\Contra\Scope;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use App\Actions\KeepParties;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\Agreements;
use App\Queries\Parties;
use App\Queries\Settings;
use App\Queries\SupplierBills;
use App\Queries\Suppliers;
use App\Values\AgreementRequest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Customers who are suppliers too: the suppliers' side, who is the same party, and what was agreed with them. */
final class PartiesController
{
    public function agreements(Agreements $agreements, Parties $parties, Settings $settings, ViewPoint $at): View
    {
        return view('parties.agreements', [
            'agreements' => $agreements->all(),
            'likely' => $parties->likely(),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function suppliers(Suppliers $suppliers, Settings $settings, ViewPoint $at): View
    {
        return view('parties.suppliers', ['suppliers' => $suppliers->open($at->asOf), 'asOf' => $at->asOf, 'base' => $settings->base()]);
    }

    public function supplier(
        int $id,
        Suppliers $suppliers,
        SupplierBills $bills,
        Parties $parties,
        Agreements $agreements,
        Settings $settings,
        ViewPoint $at,
    ): View {
        $supplier = $suppliers->find($id);
        try {
            [$open, $refusal] = [$bills->openAsOf($at->asOf, $id), ''];
        } catch (Refusal $refused) {
            [$open, $refusal] = [[], $refused->getMessage()];
        }

        return view('parties.supplier', [
            'supplier' => $supplier,
            'bills' => $open,
            'refusal' => $refusal,
            'pairs' => $parties->pairs($id)->all(),
            'agreements' => $agreements->all($id),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function agree(Request $request, KeepParties $keep): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->trim()->toString();
        $keep->agree(FormKey::of($request, 'agree'), new AgreementRequest(
            $text('customer'),
            $text('supplier'),
            Currency::of(strtoupper($text('currency')))->code,
            new Agreement(
                $text('reference'),
                Day::of($text('from')),
                $text('to') === '' ? '' : Day::of($text('to')),
                Scope::tryFrom($text('scope')) ?? throw new Refusal('Choose what it covers: due items only, or all.'),
            ),
        ));

        return self::done('Kept. The contra is counted with it.');
    }

    public function end(Request $request, KeepParties $keep): RedirectResponse
    {
        $last = Day::of($request->string('last')->toString());
        $keep->end(FormKey::of($request, 'end-agreement'), $request->integer('agreement'), $last);

        return self::done('Ended. What it was before stays in the books.');
    }

    public function link(Request $request, KeepParties $keep): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->toString();
        $keep->link(FormKey::of($request, 'link'), $text('customer'), $text('supplier'), $text('reason'));

        return self::done('Linked. Without an agreement nothing is set off.');
    }

    public function part(Request $request, KeepParties $keep): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->toString();
        $keep->part(FormKey::of($request, 'part'), $text('customer'), $text('supplier'), $text('reason'));

        return self::done('Kept: they are not the same party.');
    }

    private static function done(string $text): RedirectResponse
    {
        return redirect()->back(fallback: route('agreements'))->with(
            'done',
            ['text' => $text, 'url' => route('contra'), 'link' => 'Contra'],
        );
    }
}
