<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Run\ChosenMatches;
use Ajuste\Core\Run\RunKind;
use App\Actions\CarryOut;
use App\Actions\LeaveUnapplied;
use App\Actions\MatchUnapplied;
use App\Actions\ReverseRun;
use App\Actions\ReverseSettlement;
use App\Actions\SettleItems;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\LongRun;
use App\Http\Part;
use App\Http\UnappliedWorktop;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Models\Run;
use App\Queries\FittingMatches;
use App\Queries\ProposalCount;
use App\Queries\Runs;
use App\Queries\RunSettlements;
use App\Queries\Settings;
use App\Queries\Unapplied;
use App\Queries\UnappliedBrief;
use App\Queries\UnappliedCustomer;
use App\Support\Actor;
use App\Values\WorkKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;
use stdClass;

final class UnappliedController
{
    private const ROWS = 500;

    /** So many come at once when the rest is asked for, to be filtered, sorted or chosen. */
    private const ALL = 100_000;

    public function index(Request $request, ViewPoint $at, Unapplied $unapplied, FittingMatches $fitting, UnappliedWorktop $worktop): string
    {
        $briefs = $unapplied->briefs($at->account, $at->asOf);
        $wanted = $request->integer('customer');
        $chosen = Customer::query()
            ->whereKey($wanted !== 0 ? $wanted : self::next($briefs)->id ?? ($briefs[0]->id ?? 0))
            ->first();
        $window = ListWindow::fetched(
            $request,
            array_column($briefs, 'id'),
            static fn (array $ids): array => $unapplied->customers($at->account, $at->asOf, $ids),
            static fn (UnappliedCustomer $of): string => "{$of->customer} {$of->name} {$of->sums->words}",
            [
                'name' => static fn (UnappliedCustomer $of): string => $of->name,
                'what' => static fn (UnappliedCustomer $of): string => $of->sums->words,
                'since' => static fn (UnappliedCustomer $of): string => $of->sums->oldest,
                'unapplied' => static fn (UnappliedCustomer $of): int => $of->sums->credits,
                'matchable' => static fn (UnappliedCustomer $of): int => $of->sums->matchable,
            ],
        );

        return Part::of(
            view('unapplied.index', [
                'window' => $window,
                'totals' => $unapplied->totals($at->account, $at->asOf),
                ...$this->progress($fitting, $at, $briefs),
                ...$worktop->of($request, $at, $chosen),
                'reason' => $unapplied->customers($at->account, $at->asOf, [$chosen->id ?? 0])[0]->reason ?? null,
            ]),
            $request,
        );
    }

    public function rehearse(Request $request, ViewPoint $at, Customer $customer, UnappliedWorktop $worktop): View
    {
        return view('unapplied.rehearsal', ['apart' => true, ...$worktop->rehearsed((array) $request->input(), $customer->id, $at)]);
    }

    public function post(
        Request $request,
        Customer $customer,
        ViewPoint $at,
        SettleItems $settle,
        Unapplied $unapplied,
        UnappliedWorktop $worktop,
    ): RedirectResponse {
        $before = $unapplied->briefs($at->account, $at->asOf);
        $settlement = $settle->post(
            FormKey::of($request, 'match'),
            $worktop->request((array) $request->input(), $customer->id),
            $at->account,
            $request->string('seen')->toString(),
        );
        $next = $worktop->hasCertain($at, $customer->id)
            ? $customer
            : self::next(
                $unapplied->briefs($at->account, $at->asOf),
                (int) array_search($customer->id, array_column($before, 'id'), true),
            );

        return redirect()
            ->route('unapplied', $next === null ? [] : ['customer' => $next->id])
            ->with('done', [
                'text' => "Posted match {$settlement} of {$customer->name}.",
                'url' => route('match', $settlement),
                'link' => 'Open it',
            ]);
    }

    /** Works proposals out for a moment, and says how far they are. */
    public function propose(ViewPoint $at, Unapplied $unapplied, FittingMatches $fitting): Response
    {
        $customers = $unapplied->briefs($at->account, $at->asOf);
        $fitting->workOut($at->account, $at->asOf, $fitting->waiting($at->account, $at->asOf, $customers), 0.7);
        $progress = $this->progress($fitting, $at, $customers);

        return response()
            ->view('unapplied.progress', $progress)
            ->withHeaders($progress['waiting'] === 0 ? ['HX-Trigger-After-Settle' => 'proposals-known'] : []);
    }

    /** All that fits, to be looked at and posted as one. */
    public function run(Request $request, ViewPoint $at, MatchUnapplied $run, Runs $runs, Settings $settings): string
    {
        $lines = $run->proposed($at->account, $at->asOf);

        return Part::of(
            view('unapplied.run', [
                'lines' => $lines,
                'from' => $request->integer('from'),
                'most' => self::most($request),
                'digest' => MatchUnapplied::digest($lines),
                'chosen' => ChosenMatches::of($lines, self::ids(old('leave')), self::ids(old('take'))),
                'key' => bin2hex(random_bytes(16)),
                'base' => $settings->base(),
                'reversed' => array_map(static fn (stdClass $of): string => $of->reason, $runs->reversals()),
                'runs' => $runs->latest(RunKind::MatchUnapplied, $at->account->id),
                'counts' => $runs->settlements(),
            ]),
            $request,
        );
    }

    /** A posted run with all that hangs on it. */
    public function postedRun(Request $request, Run $run, RunSettlements $settlements, Runs $runs): string
    {
        abort_unless($run->kind === RunKind::MatchUnapplied->value, 404);

        return Part::of(
            view('unapplied.posted-run', [
                'run' => $run,
                'lines' => $settlements->of($run->id, $request->integer('from'), self::most($request)),
                'from' => $request->integer('from'),
                'count' => $settlements->count($run->id),
                'reversed' => $runs->reversal($run->id),
                'key' => bin2hex(random_bytes(16)),
            ]),
            $request,
        );
    }

    private static function most(Request $request): int
    {
        return $request->boolean('all') ? self::ALL : self::ROWS;
    }

    /** What would be posted as it is chosen now. */
    public function rehearseRun(Request $request, ViewPoint $at, MatchUnapplied $run): View
    {
        $proposed = $run->proposed($at->account, $at->asOf);

        return view('unapplied.run-button', [
            'chosen' => ChosenMatches::of($proposed, self::ids($request->input('leave')), self::ids($request->input('take'))),
        ]);
    }

    public function postRun(Request $request, ViewPoint $at, MatchUnapplied $run, Actor $actor): RedirectResponse
    {
        [$key, $seen] = [FormKey::of($request, 'run'), $request->string('seen')->toString()];
        [$leave, $take] = [self::ids($request->input('leave')), self::ids($request->input('take'))];
        if (CarryOut::isLongRun($request->integer('lines'))) {
            return LongRun::begin(WorkKind::MatchUnapplied, $key, RunKind::MatchUnapplied, $at->account, [
                'as_of' => $at->asOf, 'seen' => $seen, 'leave' => implode(' ', $leave), 'take' => implode(' ', $take),
            ], $actor);
        }
        $id = $run->post($key, $at->account, $at->asOf, $seen, $leave, $take);

        return redirect()
            ->route('unapplied')
            ->with('done', ['text' => "Posted run {$id}.", 'url' => route('unapplied.posted-run', $id), 'link' => 'Open it']);
    }

    /** @return list<int> of boxes by id */
    private static function ids(mixed $ticked): array
    {
        return array_map(intval(...), array_keys(is_array($ticked) ? $ticked : []));
    }

    public function reverseRun(
        Request $request, int $run, ViewPoint $at, ReverseRun $reverse, RunSettlements $settlements, Actor $actor,
    ): RedirectResponse {
        [$key, $kind] = [FormKey::of($request, 'reverse-run'), RunKind::MatchUnapplied];
        [$date, $reason] = [$request->string('date')->toString(), $request->string('reason')->toString()];
        $day = $date === '' ? null : Day::of($date);
        if (CarryOut::isLongRun($settlements->count($run))) {
            return LongRun::begin(WorkKind::RunBack, $key, $kind, $at->account, [
                'run' => (string) $run, 'reason' => $reason, 'date' => (string) $day,
            ], $actor);
        }
        $reverse->post($key, $kind, $run, $reason, $day);

        return redirect()
            ->route('unapplied.posted-run', $run)
            ->with('done', ['text' => "Run {$run} is reversed. Every open amount stands again."]);
    }

    public function leave(Request $request, Customer $customer, LeaveUnapplied $leave): RedirectResponse
    {
        $leave->post(
            FormKey::of($request, 'leave'),
            $customer->id,
            $request->string('reason')->toString(),
            $request->string('look_again')->toString(),
        );

        return redirect()
            ->route('unapplied')
            ->with('done', ['text' => "{$customer->name} stays unapplied, with your reason."]);
    }

    public function reverse(Request $request, int $settlement, ReverseSettlement $reverse): RedirectResponse
    {
        $reverse->post(
            FormKey::of($request, 'reverse'),
            $settlement,
            Day::of($request->string('date')->toString()),
            $request->string('reason')->toString(),
        );

        return redirect()
            ->route('match', $settlement)
            ->with('done', ['text' => 'Reversed. Every open amount stands again.']);
    }

    /**
     * The next customer to work on, from a place of the list on and then from its start.
     *
     * @param list<UnappliedBrief> $customers
     */
    private static function next(array $customers, int $from = 0): ?UnappliedBrief
    {
        foreach ([...array_slice($customers, $from), ...array_slice($customers, 0, $from)] as $customer) {
            if ($customer->isMatchable && ! $customer->isLeft) {
                return $customer;
            }
        }

        return null;
    }

    /**
     * @param list<UnappliedBrief> $customers
     * @return array{waiting: int, of: int, found: int, others: int, proposed: array<int, ProposalCount>}
     */
    private function progress(FittingMatches $fitting, ViewPoint $at, array $customers): array
    {
        $counts = $fitting->counts($at->account, $at->asOf, $customers);
        $of = count(array_filter($customers, static fn (UnappliedBrief $customer): bool => $customer->isMatchable));

        return [
            'waiting' => $of - count($counts),
            'of' => $of,
            'found' => array_sum(array_column($counts, 'certain')),
            'others' => array_sum(array_column($counts, 'others')),
            'proposed' => $counts,
        ];
    }
}
