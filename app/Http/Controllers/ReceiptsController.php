<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DiscountChoice;
use Ajuste\Core\Settlement\Tick;
use App\Actions\Receipts\Decide;
use App\Actions\Receipts\PlaceElsewhere;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\Receipts\ReverseReceipt;
use App\Http\FormKey;
use App\Http\Part;
use App\Http\Pictures\Ribbons;
use App\Http\ReceiptForm;
use App\Http\ReceiptWorktop;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Queries\BankReturns;
use App\Queries\CustomerSearch;
use App\Queries\LineGuess;
use App\Queries\MoneyLine;
use App\Queries\MoneyLines;
use App\Queries\PostedMoney;
use App\Queries\ReceiptWorklist;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The receipts station: lines of money on the left, the worktop of the chosen one on the right. */
final class ReceiptsController
{
    public function __construct(
        private readonly ViewPoint $at, private readonly Settings $settings, private readonly MoneyLines $lines, private readonly ReceiptWorklist $worklist, private readonly ReceiptWorktop $worktop,
        private readonly CustomerSearch $search, private readonly BankReturns $returns, private readonly PostedMoney $posted,
    ) {}

    public function index(Request $request): string
    {
        return $this->page($request, $request->integer('line'));
    }

    /** What a payer wrote, pasted beside the receipt, ticks what it names. */
    public function paste(Request $request, int $line): string
    {
        return $this->page($request, $line, $request->string('remittance')->toString());
    }

    private function page(Request $request, int $wanted, string $pasted = ''): string
    {
        $guesses = $this->worklist->guesses($this->at->account, $this->at->asOf);
        $kinds = [];
        foreach ($guesses as $guess) {
            $kinds[$guess->kind()][] = $guess;
        }
        $kind = $request->string('kind')->toString();
        $shown = $kinds[$kind] ?? $guesses;
        $chosen = array_values(array_filter($guesses, static fn (LineGuess $guess): bool => $guess->line->id === $wanted))[0] ?? $this->worklist->ofBatch($wanted, $this->at->account, $this->at->asOf) ?? $shown[0] ?? null;
        $asked = $request->string('payer')->trim()->toString();
        $hits = $this->search->hits($asked);
        $payer = $this->payer($request, $chosen, count($hits) === 1 ? $hits[0]->id : 0);
        $lineOf = static fn (LineGuess $guess): MoneyLine => $guess->line;

        return Part::of(view('receipts.index', [
            'guesses' => $shown, 'all' => count($guesses), 'sum' => MoneyLines::sum(array_map($lineOf, $guesses), $this->settings->base()), 'kind' => isset($kinds[$kind]) ? $kind : '',
            'kinds' => array_map(fn (array $of): array => [count($of), MoneyLines::sum(array_map($lineOf, $of), $this->settings->base()), array_filter($of, static fn (LineGuess $guess): bool => ! $guess->isCertain()) === []], $kinds),
            'chosen' => $chosen, 'payer' => $payer, 'asked' => $asked, 'hits' => $hits, 'base' => $this->settings->base(), 'key' => bin2hex(random_bytes(16)), 'pasted' => $pasted,
            'placed' => $this->lines->placed($this->at->asOf), 'out' => $this->lines->out($this->at->asOf),
            'names' => Customer::query()->whereIn('id', array_merge(...array_map(static fn (LineGuess $guess): array => array_column($guess->payers, 'customerId'), $chosen === null ? [] : [$chosen])))->get()->keyBy('id'),
            'confirms' => $chosen?->confirmation === null ? null : $this->posted->find($chosen->confirmation->postingId), 'returns' => $chosen !== null && $chosen->line->amount->minor < 0 ? $this->returns->for($chosen->line) : [],
            'accounts' => $this->settings->accounts()->all(), 'rehearsal' => null, 'ribbons' => null,
            ...($chosen === null ? [] : $this->worktop->of($request, $this->at, $chosen->line, $chosen->line->amount->minor > 0 ? $payer : null, $pasted)),
        ]), $request);
    }

    public function rehearse(Request $request, int $line, PlaceReceipt $place): View
    {
        $rehearsal = $place->rehearse(ReceiptForm::read($request->all(), $line), $this->at->account, $this->at->asOf);
        $ticks = array_values(array_filter($rehearsal->ticks, static fn (Tick $tick): bool => $tick->amount->minor > 0));

        return view('receipts.rehearsal', ['line' => $this->lines->find($line), 'rehearsal' => $rehearsal, 'ribbons' => $ticks === [] ? null : new Ribbons($ticks, $rehearsal->match->matches ?? [])]);
    }

    public function post(Request $request, int $line, PlaceReceipt $place): RedirectResponse
    {
        $place->post(FormKey::of($request, 'receipt'), ReceiptForm::read($request->all(), $line), $this->at->account);
        $receipt = $this->posted->receiptOf($line);

        return redirect()->route('receipts', $request->only('kind'))->with('done', ['text' => 'Posted.', ...($receipt === null ? [] : ['url' => route('document', $receipt), 'link' => 'Open the receipt'])]);
    }

    public function draft(Request $request, int $line, Decide $decide): RedirectResponse
    {
        $decide->keepDraft(ReceiptForm::read($request->all(), $line));

        $batch = $this->lines->find($line)->batchId;

        return ($batch === null ? redirect()->route('receipts', ['line' => $line]) : redirect()->route('batches', ['batch' => $batch]))->with('done', ['text' => 'Kept as a draft. It holds nothing and blocks nothing.']);
    }

    public function dropDraft(int $line, Decide $decide): RedirectResponse
    {
        $decide->dropDraft($line);

        return redirect()->route('receipts', ['line' => $line]);
    }

    /** Accepts the certain lines of one kind, those that were looked at. */
    public function accept(Request $request, PlaceReceipt $place, PlaceElsewhere $elsewhere): RedirectResponse
    {
        $kind = $request->string('kind')->toString();
        $seen = array_map(intval(...), (array) $request->input('ids', []));
        $accepted = 0;
        $told = [];
        foreach ($this->worklist->guesses($this->at->account, $this->at->asOf) as $guess) {
            if ($guess->isCertain() && $guess->kind() === $kind && in_array($guess->line->id, $seen, true)) {
                // A line that was taken back is accepted anew: each time has a key of its own.
                $key = "accept-{$guess->line->id}-{$this->posted->timesPlaced($guess->line->id)}";
                try {
                    $guess->confirmation !== null
                        ? $elsewhere->confirm($key, $guess->line->id, $guess->confirmation->postingId)
                        : $place->post($key, LineGuess::requestFor($guess->line, $guess->payers[0]->customerId, $guess->proposal), $this->at->account);
                    $accepted++;
                } catch (Refusal $refusal) { // two lines that would settle the same invoice: the second is left to the person
                    $told[] = $refusal->getMessage();
                }
            }
        }

        return redirect()->route('receipts')->with('done', ['text' => ($accepted === 1 ? 'Accepted 1 line.' : "Accepted {$accepted} lines.").($told === [] ? '' : ' Left: '.implode(' ', array_slice($told, 0, 3)))]);
    }

    public function setAside(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $place->setAside(FormKey::of($request, 'aside'), $line, $request->string('reason')->toString(), $request->string('words')->toString());

        return redirect()->route('receipts')->with('done', ['text' => 'Out of the way: not receivables.']);
    }

    public function onAccounts(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $place->onAccounts(FormKey::of($request, 'accounts'), $line, self::pairs($request, 'to', 'to_amount'), $request->string('memo')->toString());

        return redirect()->route('receipts')->with('done', ['text' => 'Posted to accounts.']);
    }

    public function divide(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $parts = array_map(fn (array $pair): array => [$pair[0] === '' ? 0 : $this->search->one($pair[0])->id, $pair[1]], array_filter(self::pairs($request, 'part_customer', 'part'), static fn (array $pair): bool => $pair[1] !== ''));
        $place->divide(FormKey::of($request, 'divide'), $line, array_values($parts));

        return redirect()->route('receipts')->with('done', ['text' => 'Divided. Each part is a line of its own now.']);
    }

    public function confirm(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $place->confirm(FormKey::of($request, 'confirm'), $line, $request->integer('posting'));

        return redirect()->route('receipts', $request->only('kind'))->with('done', ['text' => 'Confirmed by the bank.']);
    }

    public function returned(Request $request, int $item, ReverseReceipt $reverse): RedirectResponse
    {
        $line = $request->integer('line');
        $reverse->returned(
            FormKey::of($request, 'returned'), $item, $line === 0 ? null : $line, $line === 0 ? Day::of($request->string('date')->toString()) : '', $request->string('fee')->toString(), $request->boolean('fee_to_customer'),
            $request->string('reason')->toString(),
        );

        return redirect()->route('document', $item)->with('done', ['text' => 'The receipt came back: its matches are undone, the invoices are open again.']);
    }

    public function mistaken(Request $request, int $item, ReverseReceipt $reverse): RedirectResponse
    {
        $reverse->mistaken(FormKey::of($request, 'mistaken'), $item, Day::of($request->string('date')->toString()), $request->string('reason')->toString());

        return redirect()->route('receipts')->with('done', ['text' => 'Taken back. The line is to be placed again.']);
    }

    public function takeBack(Request $request, int $placement, PlaceElsewhere $place): RedirectResponse
    {
        $place->takeBack(FormKey::of($request, 'take-back'), $placement, $request->string('reason')->toString());

        return back()->with('done', ['text' => 'Taken back. The line is to be placed again.']);
    }

    public function discount(Request $request, int $item, Decide $decide): RedirectResponse
    {
        $choice = DiscountChoice::tryFrom($request->string('choice')->toString()) ?? throw new Refusal('Choose whether the discount is granted, denied, or its date moved.');
        $decide->discount(FormKey::of($request, 'discount'), $item, $choice, $request->string('until')->toString(), $request->string('reason')->toString());

        return back()->with('done', ['text' => "Discount {$choice->words()}."]);
    }

    /** Lines that have their place, newest first, with the way back. */
    public function placed(): View
    {
        return view('receipts.placed', ['placements' => $this->posted->placements($this->at->asOf), 'base' => $this->settings->base(), 'key' => bin2hex(random_bytes(16))]);
    }

    /** @return list<array{string, string}> */
    private static function pairs(Request $request, string $one, string $other): array
    {
        $texts = static fn (string $name): array => array_map(static fn (mixed $value): string => is_string($value) ? trim($value) : '', (array) $request->input($name, []));
        [$left, $right] = [$texts($one), $texts($other)];
        $pairs = [];
        foreach (array_keys($left + $right) as $place) {
            if (($left[$place] ?? '') !== '' || ($right[$place] ?? '') !== '') {
                $pairs[] = [$left[$place] ?? '', $right[$place] ?? ''];
            }
        }

        return $pairs;
    }

    /** The payer whom the person chose, else the one that is sure; nobody is guessed. */
    private function payer(Request $request, ?LineGuess $chosen, int $found): ?Customer
    {
        $id = $request->integer('customer') ?: ($found ?: ($request->string('payer')->toString() === '' && $chosen !== null && $chosen->sure ? $chosen->payers[0]->customerId : 0));

        return Customer::query()->whereKey($id)->first();
    }
}
