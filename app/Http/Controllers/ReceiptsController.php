<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\PlaceReceipt;
use App\Actions\ReceiptRequest;
use App\Http\FormKey;
use App\Http\Pictures\Ribbons;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\BankLine;
use App\Queries\BankLines;
use App\Queries\PlacedGuess;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class ReceiptsController
{
    public function index(Request $request, ViewPoint $at, Settings $settings, BankLines $lines, Positions $positions, Proposals $proposals): string
    {
        $guesses = $lines->guesses($lines->toPlace($at->asOf), $at->account, $at->asOf);
        $wanted = $request->integer('line');
        $chosen = array_values(array_filter($guesses, static fn (PlacedGuess $guess): bool => $guess->line->id === $wanted))[0] ?? $guesses[0] ?? null;
        $payer = $this->payer($request, $chosen);
        $open = $payer === null ? [] : $positions->openItems($at->account->id, $payer->id, $at->asOf);
        $proposal = $chosen === null || $payer === null ? null : $proposals->forItem($lines->asCredit($chosen->line, $at->account), $open);

        $certain = array_values(array_filter($guesses, static fn (PlacedGuess $guess): bool => $guess->isCertain()));
        $lineOf = static fn (PlacedGuess $guess): BankLine => $guess->line;

        return view('receipts.index', [
            'sum' => BankLines::sum(array_map($lineOf, $guesses), $settings->base()), 'certain' => $certain, 'certainSum' => BankLines::sum(array_map($lineOf, $certain), $settings->base()),
            'guesses' => $guesses, 'chosen' => $chosen, 'payer' => $payer, 'proposal' => $proposal, 'placed' => $lines->placed(), 'base' => $settings->base(), 'key' => bin2hex(random_bytes(16)),
            'items' => $chosen === null ? [] : $this->proposedFirst(
                $open, $chosen->line->amount->currency->code,
                array_map(static fn (Settles $settles): int => $settles->item->id, $proposal->settles ?? []),
            ),
            'discounts' => $chosen === null ? [] : $proposals->discounts($open, $chosen->line->valueDate),
            'names' => Customer::query()->whereIn('id', array_merge(...array_map(static fn (PlacedGuess $guess): array => array_column($guess->payers, 'customerId'), $guesses)))->get()->keyBy('id'),
            'rehearsal' => null, 'ribbons' => null, 'asked' => $request->string('payer')->toString(),
        ])->fragmentIf($request->header('HX-Target') === 'worktop', 'worktop');
    }

    public function rehearse(Request $request, int $line, ViewPoint $at, PlaceReceipt $place): View
    {
        $rehearsal = $place->rehearse($this->request($request, $line), $at->account);
        $ticks = array_values(array_filter($rehearsal->match->ticks ?? [], static fn (Tick $tick): bool => $tick->amount->minor > 0));

        return view('receipts.rehearsal', ['rehearsal' => $rehearsal, 'ribbons' => $ticks === [] ? null : new Ribbons($ticks, $rehearsal->match->plan->matches ?? [])]);
    }

    public function post(Request $request, int $line, ViewPoint $at, PlaceReceipt $place): RedirectResponse
    {
        $place->post(FormKey::of($request, 'receipt'), $this->request($request, $line), $at->account);

        return redirect()->route('receipts')->with('done', ['text' => 'Posted.', 'url' => route('customer', $request->integer('customer')), 'link' => "The customer's page"]);
    }

    /** Places every line that is certain: payer sure, quoted or the same amount, and the only such. */
    public function accept(ViewPoint $at, BankLines $lines, PlaceReceipt $place): RedirectResponse
    {
        $accepted = 0;
        $told = [];
        foreach ($lines->guesses($lines->toPlace($at->asOf), $at->account, $at->asOf) as $guess) {
            if ($guess->isCertain()) {
                try {
                    $place->post("accept-{$guess->line->id}", $guess->request(), $at->account);
                    $accepted++;
                } catch (Refusal $refusal) { // two lines that would settle the same invoice: the second is left to the person
                    $told[] = $refusal->getMessage();
                }
            }
        }

        return redirect()->route('receipts')->with('done', ['text' => "Posted {$accepted} receipts.".($told === [] ? '' : ' Left: '.implode(' ', $told))]);
    }

    public function setAside(Request $request, int $line, PlaceReceipt $place): RedirectResponse
    {
        $place->setAside(FormKey::of($request, 'aside'), $line, $request->string('reason')->toString());

        return redirect()->route('receipts')->with('done', ['text' => 'Out of the way: not receivables.']);
    }

    /** The payer whom the person chose, by number or name, else the one that is sure; nobody is guessed. */
    private function payer(Request $request, ?PlacedGuess $chosen): ?Customer
    {
        $asked = $request->string('payer')->trim()->toString();
        if ($asked === '') {
            return Customer::query()->find($request->integer('customer') ?: ($chosen !== null && $chosen->sure ? $chosen->payers[0]->customerId : 0));
        }
        $like = '%'.addcslashes($asked, '%_\\').'%';

        return Customer::query()->where('customer', $asked)->first()
            ?? Customer::query()->whereRaw("name LIKE ? ESCAPE '\\' OR trading_name LIKE ? ESCAPE '\\'", [$like, $like])->orderBy('customer')->first();
    }

    /**
     * @param list<OpenItem> $open
     * @param list<int> $proposed
     * @return list<OpenItem>
     */
    private function proposedFirst(array $open, string $currency, array $proposed): array
    {
        $items = array_values(array_filter($open, static fn (OpenItem $item): bool => $item->open->currency->code === $currency));
        usort($items, static fn (OpenItem $one, OpenItem $other): int => in_array($other->id, $proposed, true) <=> in_array($one->id, $proposed, true));

        return $items;
    }

    private function request(Request $request, int $line): ReceiptRequest
    {
        $amounts = (array) $request->input('amount', []);
        $typed = [];
        foreach (array_keys((array) $request->input('tick', [])) as $id) {
            $typed[(int) $id] = is_string($amounts[$id] ?? null) ? $amounts[$id] : '';
        }

        return new ReceiptRequest($line, $request->integer('customer'), $typed, array_map(intval(...), array_keys((array) $request->input('discount', []))));
    }
}
