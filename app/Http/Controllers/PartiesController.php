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
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\Say;
use App\Http\ViewPoint;
use App\Queries\Agreements;
use App\Queries\OwedSupplier;
use App\Queries\Parties;
use App\Queries\Settings;
use App\Queries\SupplierBills;
use App\Queries\Suppliers;
use App\Values\AgreementRequest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use stdClass;

/** Customers who are suppliers too: the suppliers' side, who is the same party, and what was agreed with them. */
final class PartiesController
{
    public function agreements(Request $request, Agreements $agreements, Parties $parties, Settings $settings, ViewPoint $at): string
    {
        $all = $agreements->all();

        return Part::of(view('parties.agreements', [
            'window' => ListWindow::of(
                $request,
                $all,
                static fn (stdClass $of): string => "{$of->customer} {$of->name} {$of->supplier} {$of->reference} "
                    ."{$of->currency} {$of->who}",
                [
                    'customer' => static fn (stdClass $of): string => "{$of->customer} {$of->name}",
                    'supplier' => static fn (stdClass $of): string => $of->supplier,
                    'reference' => static fn (stdClass $of): string => $of->reference,
                    'covers' => static fn (stdClass $of): string => "{$of->scope} {$of->currency}",
                    'from' => static fn (stdClass $of): string => $of->from_date,
                    'to' => static fn (stdClass $of): string => $of->to_date,
                    'kept by' => static fn (stdClass $of): string => $of->who,
                ],
            ),
            'none' => $all === [] ? 'No agreement yet. Hand in agreements.csv, or type one.' : 'No agreement has these words.',
            'likely' => $parties->likely(),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]), $request);
    }

    public function suppliers(Request $request, Suppliers $suppliers, Settings $settings, ViewPoint $at): string
    {
        $all = $suppliers->open($at->asOf);

        return Part::of(view('parties.suppliers', [
            'window' => ListWindow::of(
                $request,
                $all,
                static fn (OwedSupplier $of): string => "{$of->supplier} {$of->name} ".Say::balance($of->owed->negated()),
                [
                    'number' => static fn (OwedSupplier $of): string => $of->supplier,
                    'name' => static fn (OwedSupplier $of): string => $of->name,
                    'owed' => static fn (OwedSupplier $of): int => $of->owed->minor,
                ],
            ),
            'none' => $all === [] ? 'No supplier yet. Hand in suppliers.csv and supplier_items.csv.' : 'No supplier has these words.',
            'asOf' => $at->asOf,
            'base' => $settings->base(),
        ]), $request);
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
