<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\AccountShare;
use Ajuste\Core\Settlement\DiscountChoice;
use Ajuste\Core\Settlement\FeeBearer;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Side;
use App\Actions\Receipts\Decide;
use App\Actions\Receipts\DivideReceipt;
use App\Actions\Receipts\PlaceElsewhere;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\Receipts\ReverseReceipt;
use App\Actions\Receipts\SetAsideRules;
use App\Http\FormKey;
use App\Http\Part;
use App\Http\Pictures\Ribbons;
use App\Http\PlanEffects;
use App\Http\ReceiptWorktop;
use App\Http\ViewPoint;
use App\Http\WorktopForm;
use App\Models\Customer;
use App\Queries\BankReturns;
use App\Queries\CustomerSearch;
use App\Queries\LineGuess;
use App\Queries\PostedMoney;
use App\Queries\ReceiptWorklist;
use App\Queries\Settings;
use App\Queries\StatementLine;
use App\Queries\StatementLines;
use App\Values\ReceiptRequest;
use App\Values\Rehearsal;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The receipts station: statement lines on the left, the worktop of the chosen one on the right. */
final class ReceiptsController
{
    public function __construct(
        private readonly ViewPoint $at,
        private readonly Settings $settings,
        private readonly StatementLines $lines,
        private readonly ReceiptWorklist $worklist,
        private readonly ReceiptWorktop $worktop,
        private readonly CustomerSearch $search,
        private readonly BankReturns $returns,
        private readonly PostedMoney $posted,
    ) {}

    public function index(Request $request): string
    {
        return $this->page($request, $request->integer('line'));
    }

    /** Who is found by what is typed so far. */
    public function payers(Request $request): View
    {
        return view('receipts.payer-hits', [
            'hits' => $this->search->hits($request->string('payer')->toString()),
            'here' => array_filter(['line' => $request->integer('line'), 'kind' => $request->string('kind')->toString()]),
            'payer' => null,
        ]);
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
        $chosen =
            array_values(array_filter($guesses, static fn (LineGuess $guess): bool => $guess->line->id === $wanted))[0] ??
            ($this->worklist->ofBatch($wanted, $this->at->account, $this->at->asOf) ??
                ($wanted === 0 ? $shown[0] ?? null : $this->worklist->byItself($wanted)));
        $asked = $request->string('payer')->trim()->toString();
        $hits = $this->search->hits($asked);
        $payer = $this->payer($request, $chosen, count($hits) === 1 ? $hits[0]->id : 0);
        // A document that is typed to name its payer is the one that is paid.
        $named = $pasted === '' && count($hits) === 1 && $hits[0]->by === 'document' ? $asked : '';

        return Part::of(
            view('receipts.index', [
                'guesses' => $shown,
                'all' => count($guesses),
                'sum' => $this->summed($guesses)[1],
                'kind' => isset($kinds[$kind]) ? $kind : '',
                'kinds' => array_map($this->summed(...), $kinds),
                'chosen' => $chosen,
                'payer' => $payer,
                'asked' => $asked,
                'hits' => $hits,
                'base' => $this->settings->base(),
                'key' => bin2hex(random_bytes(16)),
                'pasted' => $pasted,
                'named' => $named,
                'placed' => $this->lines->placed($this->at->asOf),
                'out' => $this->lines->out($this->at->asOf),
                'names' => Customer::query()->whereIn('id', array_column($chosen->payers ?? [], 'customerId'))->get()->keyBy('id'),
                'wanted' => $wanted,
                'place' => $chosen === null && $wanted !== 0 ? $this->posted->placeOf($wanted) : null,
                'like' => $chosen?->line->origin->mayBe === null ? null : $this->lines->find($chosen->line->origin->mayBe),
                'confirms' => $chosen?->confirmation === null ? null : $this->posted->find($chosen->confirmation->postingId),
                'returns' => $chosen !== null && $chosen->line->amount->minor < 0 ? $this->returns->for($chosen->line) : [],
                'accounts' => $this->settings->accounts()->all(),
                'rehearsal' => null,
                'ribbons' => null,
                ...$chosen === null ? [] : $this->worktopOf($request, $chosen->line, $payer, $pasted.$named),
            ]),
            $request,
        );
    }

    /** @return array<string, mixed> for the view */
    private function worktopOf(Request $request, StatementLine $line, ?Customer $payer, string $says): array
    {
        return $this->worktop->of($request, $this->at, $line, $line->amount->isPositive() ? $payer : null, $says);
    }

    /**
     * @param list<LineGuess> $guesses
     * @return array{int, Money, bool} how many, their sum, and whether each is certain
     */
    private function summed(array $guesses): array
    {
        $lines = array_map(static fn (LineGuess $guess): StatementLine => $guess->line, $guesses);
        $uncertain = array_filter($guesses, static fn (LineGuess $guess): bool => ! $guess->isCertain());

        return [count($guesses), StatementLines::sum($lines, $this->settings->base()), $uncertain === []];
    }

    public function rehearse(Request $request, int $line, PlaceReceipt $place, PlanEffects $effects): View
    {
        $found = $this->lines->find($line);
        try {
            $request = $this->read($request, $found);
            $rehearsal = $place->rehearse($request, $this->at->account);
        } catch (Refusal $refusal) {
            // an amount that cannot be read
            $rehearsal = Rehearsal::refused($refusal->getMessage(), $refusal->kind);
        }
        $ticks = array_values(array_filter($rehearsal->ticks, static fn (Tick $tick): bool => $tick->amount->isPositive()));

        return view('receipts.rehearsal', [
            'line' => $found,
            'rehearsal' => $rehearsal,
            'ribbons' => $ticks === [] ? null : Ribbons::of($ticks, $rehearsal->plan),
            'effect' => $rehearsal->plan === null || ! ($request instanceof ReceiptRequest)
                    ? null
                    : $effects->of($rehearsal->plan, $this->at, $request->customerId),
        ]);
    }

    public function post(Request $request, int $line, PlaceReceipt $place): RedirectResponse
    {
        $key = FormKey::of($request, 'receipt');
        $found = $this->lines->find($line);
        $found->refuseOther($request->string('line_seen')->toString());
        $place->post($key, $this->read($request, $found), $this->at->account, $request->string('seen')->toString());
        $receipt = $this->posted->receiptOf($line);

        return redirect()
            ->route('receipts', $request->only('kind'))
            ->with('done', [
                'text' => 'Posted.',
                ...$receipt === null ? [] : ['url' => route('document', $receipt), 'link' => 'Open the receipt'],
            ]);
    }

    public function draft(Request $request, int $line, Decide $decide): RedirectResponse
    {
        $found = $this->lines->find($line);
        $decide->keepDraft($this->read($request, $found));
        $batch = $found->origin->batchId;

        return ($batch === null
            ? redirect()->route('receipts', ['line' => $line])
            : redirect()->route('batches', ['batch' => $batch])
        )->with('done', ['text' => 'Kept as a draft. It holds nothing and blocks nothing.']);
    }

    public function dropDraft(int $line, Decide $decide): RedirectResponse
    {
        $decide->dropDraft($line);

        return redirect()->route('receipts', ['line' => $line]);
    }

    /** Accepts the certain lines of one kind, those that were looked at, if each is still what it was then. */
    public function accept(Request $request, PlaceReceipt $place, PlaceElsewhere $elsewhere): RedirectResponse
    {
        $kind = $request->string('kind')->toString();
        $seen = array_filter((array) $request->input('looked', []), is_string(...));
        $accepted = 0;
        $left = [];
        foreach ($this->worklist->guesses($this->at->account, $this->at->asOf) as $guess) {
            if (! $guess->isCertain() || $guess->kind() !== $kind || ($seen[$guess->line->id] ?? '') !== $guess->digest()) {
                continue;
            }
            unset($seen[$guess->line->id]);
            try {
                $this->acceptOne($guess, $place, $elsewhere);
                $accepted++;
            } catch (Refusal $refusal) {
                // two lines that would settle the same invoice: the second is left to the person
                $left[] = $refusal->getMessage();
            }
        }
        if ($seen !== []) {
            $left[] =
                count($seen) === 1
                    ? 'one line is not what it was when you looked.'
                    : count($seen).' lines are not what they were when you looked.';
        }
        $told = $left === [] ? '' : ' Left: '.implode(' ', array_slice($left, 0, 3));

        return redirect()
            ->route('receipts')
            ->with('done', ['text' => ($accepted === 1 ? 'Accepted 1 line.' : "Accepted {$accepted} lines.").$told]);
    }

    private function acceptOne(LineGuess $guess, PlaceReceipt $place, PlaceElsewhere $elsewhere): void
    {
        // A line that was taken back is accepted anew, and a number that was given again is another line: each has a key of its own.
        $key = "accept-{$guess->digest()}-{$this->posted->timesPlaced($guess->line->id)}";
        $guess->confirmation !== null
            ? $elsewhere->confirm($key, $guess->line->id, $guess->confirmation->postingId)
            : $place->post($key, LineGuess::requestFor($guess->line, $guess->payers[0]->customerId, $guess->proposal), $this->at->account);
    }

    /** @throws Refusal when an amount cannot be read */
    private function read(Request $request, StatementLine $line): ReceiptRequest
    {
        return (new WorktopForm($request->all()))->receipt($line);
    }

    public function setAside(Request $request, int $line, PlaceElsewhere $place, SetAsideRules $rules): RedirectResponse
    {
        [$key, $reason, $words] = [
            FormKey::of($request, 'aside'),
            $request->string('reason')->toString(),
            $request->string('words')->toString(),
        ];
        if ($words !== '') {
            $rules->refuseShort($words);
        }
        $place->setAside($key, $line, $reason);
        if ($words !== '') {
            $rules->keep("{$key}-rule", $words, $reason);
        }

        return redirect()
            ->route('receipts')
            ->with('done', ['text' => 'Out of the way: not receivables.']);
    }

    public function onAccounts(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $base = $this->settings->base();
        $shares = [];
        foreach (self::pairs($request, 'to', 'to_amount') as $row => [$account, $typed]) {
            $amount = WorktopForm::amount($typed, $base);
            $isDebit = $request->string("to_side.{$row}")->toString() === Side::Debit->value;
            $shares[] = new AccountShare($this->settings->accounts()->numbered($account), $isDebit ? $amount?->negated() : $amount);
        }
        $place->onAccounts(FormKey::of($request, 'accounts'), $line, $shares, $request->string('memo')->toString());

        return redirect()
            ->route('receipts')
            ->with('done', ['text' => 'Posted to accounts.']);
    }

    public function divide(Request $request, int $line, DivideReceipt $divide): RedirectResponse
    {
        $currency = $this->lines->find($line)->amount->currency;
        $pairs = array_filter(self::pairs($request, 'part_customer', 'part'), static fn (array $pair): bool => $pair[1] !== '');
        $parts = array_map(
            fn (array $pair): array => [$pair[0] === '' ? 0 : $this->search->one($pair[0])->id, TypedAmount::read($pair[1], $currency)],
            $pairs,
        );
        $divide->post(FormKey::of($request, 'divide'), $line, array_values($parts));

        return redirect()
            ->route('receipts')
            ->with('done', ['text' => 'Divided. Each part is a line of its own now.']);
    }

    public function confirm(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $place->confirm(FormKey::of($request, 'confirm'), $line, $request->integer('posting'));

        return redirect()
            ->route('receipts', $request->only('kind'))
            ->with('done', ['text' => 'Confirmed by the bank.']);
    }

    public function returned(Request $request, int $item, ReverseReceipt $reverse): RedirectResponse
    {
        $line = $request->integer('line');
        $key = FormKey::of($request, 'returned');
        $fee = WorktopForm::amount($request->string('fee')->toString(), $this->settings->base());
        $bearer = $request->boolean('fee_to_customer') ? FeeBearer::Customer : FeeBearer::Us;
        $reason = $request->string('reason')->toString();
        $line !== 0
            ? $reverse->byStatement($key, $item, $line, $fee, $bearer, $reason)
            : $reverse->byHand($key, $item, Day::of($request->string('date')->toString()), $fee, $bearer, $reason);

        return redirect()
            ->route('document', $item)
            ->with('done', ['text' => 'The receipt came back: its matches are undone, the invoices are open again.']);
    }

    public function mistaken(Request $request, int $item, ReverseReceipt $reverse): RedirectResponse
    {
        $reverse->mistaken(
            FormKey::of($request, 'mistaken'),
            $item,
            Day::of($request->string('date')->toString()),
            $request->string('reason')->toString(),
        );

        return redirect()
            ->route('receipts')
            ->with('done', ['text' => 'Taken back. The line is to be placed again.']);
    }

    public function takeBack(Request $request, int $placement, PlaceElsewhere $place): RedirectResponse
    {
        $place->takeBack(FormKey::of($request, 'take-back'), $placement, $request->string('reason')->toString());

        return back()->with('done', ['text' => 'Taken back. The line is to be placed again.']);
    }

    public function discount(Request $request, int $item, Decide $decide): RedirectResponse
    {
        $choice =
            DiscountChoice::tryFrom($request->string('choice')->toString()) ??
            throw new Refusal('Choose whether the discount is granted, denied, or its date moved.');
        $decide->discount(
            FormKey::of($request, 'discount'),
            $item,
            $choice,
            $request->string('until')->toString(),
            $request->string('reason')->toString(),
        );

        return back()->with('done', ['text' => "Discount {$choice->words()}."]);
    }

    /** Lines that have their place, newest first, with the way back. */
    public function placed(): View
    {
        return view('receipts.placed', [
            'placements' => $this->posted->placements($this->at->asOf),
            'base' => $this->settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    /** @return array<int|string, array{string, string}> by place on the form */
    private static function pairs(Request $request, string $one, string $other): array
    {
        $texts = static fn (string $name): array => array_map(
            static fn (mixed $value): string => is_string($value) ? trim($value) : '',
            (array) $request->input($name, []),
        );
        [$left, $right] = [$texts($one), $texts($other)];
        $pairs = [];
        foreach (array_keys($left + $right) as $place) {
            if (($left[$place] ?? '') !== '' || ($right[$place] ?? '') !== '') {
                $pairs[$place] = [$left[$place] ?? '', $right[$place] ?? ''];
            }
        }

        return $pairs;
    }

    /** The payer whom the person chose, else the one that is sure; nobody is guessed. */
    private function payer(Request $request, ?LineGuess $chosen, int $found): ?Customer
    {
        $id =
            $request->integer('customer') ?:
            ($found ?:
            ($request->string('payer')->toString() === '' && $chosen !== null && $chosen->isSure()
                ? $chosen->payers[0]->customerId
                : 0));

        return Customer::query()->whereKey($id)->first();
    }
}
