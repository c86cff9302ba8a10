<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Actions\LeaveLoose;
use App\Actions\MatchItems;
use App\Actions\MatchRehearsal;
use App\Actions\MatchRequest;
use App\Actions\ReverseSettlement;
use App\Actions\RunMatches;
use App\Http\FormKey;
use App\Http\Part;
use App\Http\Pictures\Ribbons;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Models\Run;
use App\Queries\LooseCustomer;
use App\Queries\LooseTotals;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Queries\Unapplied;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;

final class UnappliedController
{
    public function index(Request $request, ViewPoint $at, Unapplied $unapplied, Positions $positions, Proposals $proposals, MatchItems $match, RunMatches $run): string
    {
        $customers = $unapplied->customers($at->account, $at->asOf);
        $wanted = $request->integer('customer');
        $chosen = $wanted !== 0 ? Customer::query()->find($wanted) : Customer::query()->find($customers[0]->id ?? 0);
        $items = $chosen === null ? [] : $positions->openItems($at->account->id, $chosen->id, $at->asOf);
        $rehearsal = $match->rehearse($this->request($request, $chosen->id ?? 0, true));

        return Part::of(view('unapplied.index', [
            'reason' => array_column(array_map(static fn (LooseCustomer $loose): array => [$loose->id, $loose->reason], $customers), 1, 0)[$chosen->id ?? 0] ?? null, 'certain' => count($run->plan($at->account, $at->asOf)), 'lookAgain' => Day::plus($at->asOf, 30),
            'customers' => $customers, 'totals' => new LooseTotals($customers), 'chosen' => $chosen, 'items' => $items, 'proposals' => $this->proposals($items, $proposals), 'key' => bin2hex(random_bytes(16)),
            'typed' => (array) $request->old('amount', []), 'ticked' => array_map(strval(...), array_keys((array) $request->old('tick', []))), 'date' => is_string($request->old('date')) ? $request->old('date') : '',
            ...$this->shown($rehearsal),
        ]), $request);
    }

    public function rehearse(Request $request, Customer $customer, MatchItems $match): View
    {
        return view('unapplied.rehearsal', $this->shown($match->rehearse($this->request($request, $customer->id, false))));
    }

    public function post(Request $request, Customer $customer, ViewPoint $at, MatchItems $match, Unapplied $unapplied): RedirectResponse
    {
        $settlement = $match->post(FormKey::of($request, 'match'), $this->request($request, $customer->id, false), $request->string('seen')->toString());
        $next = array_values(array_filter($unapplied->customers($at->account, $at->asOf), static fn (LooseCustomer $loose): bool => $loose->matchable > 0 && $loose->reason === null))[0] ?? null;

        return redirect()->route('unapplied', $next === null ? [] : ['customer' => $next->id])
            ->with('done', ['text' => "Posted match {$settlement} of {$customer->name}.", 'url' => route('match', $settlement), 'link' => 'Open it']);
    }

    /** All certain proposals, to be looked at and posted as one. */
    public function run(ViewPoint $at, RunMatches $run, Settings $settings): View
    {
        $lines = $run->plan($at->account, $at->asOf);

        return view('unapplied.run', [
            'lines' => $lines, 'digest' => RunMatches::digest($lines), 'key' => bin2hex(random_bytes(16)), 'base' => $settings->base(), 'reversed' => DB::table('run_reversals')->pluck('reason', 'run_id')->all(),
            'runs' => Run::query()->where('kind', RunMatches::KIND)->where('account_id', $at->account->id)->orderByDesc('id')->limit(20)->get(), 'counts' => DB::table('run_settlements')->groupBy('run_id')->selectRaw('run_id, count(*) AS n')->pluck('n', 'run_id')->all(),
        ]);
    }

    public function postRun(Request $request, ViewPoint $at, RunMatches $run): RedirectResponse
    {
        $id = $run->post(FormKey::of($request, 'run'), $at->account, $at->asOf, $request->string('seen')->toString());

        return redirect()->route('unapplied')->with('done', ['text' => "Posted run {$id}.", 'url' => route('unapplied.run'), 'link' => 'Open the runs']);
    }

    public function reverseRun(Request $request, int $run, RunMatches $runs): RedirectResponse
    {
        $runs->reverseRun(FormKey::of($request, 'reverse-run'), $run, $request->string('reason')->toString());

        return redirect()->route('unapplied.run')->with('done', ['text' => "Run {$run} is reversed. Every open amount stands again."]);
    }

    public function leave(Request $request, Customer $customer, LeaveLoose $leave): RedirectResponse
    {
        $leave->post(FormKey::of($request, 'leave'), $customer->id, $request->string('reason')->toString(), $request->string('look_again')->toString());

        return redirect()->route('unapplied')->with('done', ['text' => "{$customer->name} stays loose, with your reason."]);
    }

    public function reverse(Request $request, int $settlement, ReverseSettlement $reverse): RedirectResponse
    {
        $reverse->post(FormKey::of($request, 'reverse'), $settlement, Day::of($request->string('date')->toString()), $request->string('reason')->toString());

        return redirect()->route('match', $settlement)->with('done', ['text' => 'Reversed. Every open amount stands again.']);
    }

    /** @return array{rehearsal: MatchRehearsal, ribbons: ?Ribbons, base: Currency} */
    private function shown(MatchRehearsal $rehearsal): array
    {
        return [
            'rehearsal' => $rehearsal,
            'ribbons' => $rehearsal->ticks === [] ? null : new Ribbons(array_values(array_filter($rehearsal->ticks, static fn (Tick $tick): bool => $tick->amount->minor > 0)), $rehearsal->plan->matches ?? []),
            'base' => app(Settings::class)->base(),
        ];
    }

    /**
     * What each loose credit could settle at once: proposals that neither need a discount nor leave something to explain.
     *
     * @param list<OpenItem> $items
     * @return list<array{OpenItem, Proposal}> the surest first
     */
    private function proposals(array $items, Proposals $proposals): array
    {
        $found = [];
        foreach (array_slice(array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Credit), 0, 12) as $credit) {
            $proposal = $proposals->forItem($credit, $items);
            if ($proposal->settles !== [] && ! $proposal->takesDiscount() && $proposal->difference >= 0) {
                $found[] = [$credit, $proposal];
            }
        }

        $order = array_flip(array_column(Way::cases(), 'value'));
        usort($found, static fn (array $one, array $other): int => [$order[$one[1]->how->value], $other[1]->only] <=> [$order[$other[1]->how->value], $one[1]->only]);

        return $found;
    }

    private function request(Request $request, int $customerId, bool $old): MatchRequest
    {
        $field = static fn (string $name): array => (array) ($old ? $request->old($name, []) : $request->input($name, []));
        $amounts = $field('amount');
        $typed = [];
        foreach (array_keys($field('tick')) as $id) {
            $typed[(int) $id] = is_string($amounts[$id] ?? null) ? $amounts[$id] : '';
        }
        $date = $old ? $request->old('date') : $request->input('date');

        return new MatchRequest($customerId, $typed, is_string($date) && $date !== '' ? Day::of($date) : null);
    }
}
