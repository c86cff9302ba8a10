<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Contra\Pair;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherSums;
use Ajuste\Core\Posting\PlannedVoucher;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Actions\CarryOut;
use App\Actions\ReverseRun;
use App\Actions\Runs\AcceptRates;
use App\Actions\Runs\BlockCustomer;
use App\Actions\Runs\KeepPairChoices;
use App\Actions\Runs\PostRun;
use App\Actions\Runs\RunPlans;
use App\Actions\Runs\SendContraLetters;
use App\Actions\Runs\TakePairBack;
use App\Http\BesideRun;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\LongRun;
use App\Http\PairWorktop;
use App\Http\Part;
use App\Http\RunLines;
use App\Http\ViewPoint;
use App\Models\Run;
use App\Models\Voucher as PostedVoucher;
use App\Queries\ApprovalRequests;
use App\Queries\ContraLetters;
use App\Queries\RunRows;
use App\Queries\Runs;
use App\Queries\Settings;
use App\Support\Actor;
use App\Values\ApprovalKind;
use App\Values\RunRow;
use App\Values\WorkKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** The closing runs that share one way of being looked at, approved, posted and taken back. */
final class RunsController
{
    /** So many vouchers of a run are listed beside it. */
    private const VOUCHERS = 60;

    public function index(
        Request $http,
        string $kind,
        ViewPoint $at,
        Settings $settings,
        RunPlans $plans,
        PostRun $post,
        ApprovalRequests $requests,
        Runs $runs,
        BesideRun $beside,
        PairWorktop $pairs,
    ): string {
        $of = self::kind($kind);
        $key = bin2hex(random_bytes(16));
        try {
            $chosen = $pairs->chosen($at->account, $at->asOf, $http->string('pair')->toString());
            if ($chosen['pair'] !== null && Part::name($http) === 'worktop') {
                return view('runs.pair-worktop', ['base' => $settings->base(), 'key' => $key, ...$chosen])->render();
            }
            $run = $plans->of($of, $at->account, $at->asOf);
        } catch (Refusal $refusal) {
            return view(
                'runs.refused',
                ['kind' => $of, 'asOf' => $at->asOf, 'why' => $refusal->getMessage(), 'key' => $key],
            )->render();
        }
        $lines = $run->lines();
        [$posting, $refusal] = Part::isRows($http, RunLines::LISTS)
            ? [null, '']
            : self::rehearsed(static fn (): PostingPlan => $post->posting($run));
        $subject = PostRun::subject($of, $at->account, $at->asOf);
        $request = $requests->waitingFor(ApprovalKind::Run, $subject);
        $digest = $posting?->digest() ?? '';
        $vouchers = array_map(static fn (PlannedVoucher $of): Voucher => $of->voucher, $posting->vouchers ?? []);

        return Part::of(view(self::page($of), [
            'kind' => $of,
            'run' => $run,
            'lines' => count($lines),
            'windows' => RunLines::of($run, $lines, $http),
            'digest' => $digest,
            'vouchers' => count($vouchers),
            'sums' => VoucherSums::of($vouchers),
            'refusal' => $run->isEmpty() ? '' : $refusal,
            'why' => $post->needsApproval($run),
            'request' => $request,
            'unchanged' => $request !== null && $request->digest === $digest,
            'answer' => $requests->lastAnswerTo(ApprovalKind::Run, $subject),
            'runs' => $runs->latest($of, $at->account->id),
            'reversals' => $runs->reversals(),
            'outOfDate' => self::stale($run) + $runs->outOfDate($of, $at->account->id),
            'base' => $settings->base(),
            'key' => $key,
            ...$beside->of($run, $http->query()),
            ...$chosen,
        ]), $http, RunLines::LISTS);
    }

    public function post(Request $request, string $kind, ViewPoint $at, PostRun $post, Actor $actor): RedirectResponse
    {
        $seen = $request->string('seen')->toString();
        [$key, $of] = [FormKey::of($request, 'run'), self::kind($kind)];
        if (CarryOut::isLongRun($request->integer('lines'))) {
            return LongRun::begin(WorkKind::Run, $key, $of, $at->account, ['as_of' => $at->asOf, 'seen' => $seen], $actor);
        }
        $run = $post->post($key, $of, $at->account, $at->asOf, $seen);

        return self::done($kind, "Posted run {$run}.");
    }

    public function ask(Request $request, string $kind, ViewPoint $at, PostRun $post): RedirectResponse
    {
        $seen = $request->string('seen')->toString();
        $post->ask(FormKey::of($request, 'ask-run'), self::kind($kind), $at->account, $at->asOf, $seen);

        return self::done($kind, 'Asked. The reviewer finds it on the desk.');
    }

    public function acceptRates(Request $request, ViewPoint $at, AcceptRates $accept): RedirectResponse
    {
        $accept->post(FormKey::of($request, 'accept-rates'), $at->account, $at->asOf);

        return self::done('currency', 'Accepted. The run is counted with these rates.');
    }

    public function choose(Request $request, string $kind, ViewPoint $at, PostRun $post): RedirectResponse
    {
        $post->choose(
            FormKey::of($request, 'choose'),
            self::kind($kind),
            $at->account,
            $at->asOf,
            $request->integer('item'),
            $request->string('choice')->toString(),
            $request->string('reason')->toString(),
        );

        return self::done($kind, 'The run is counted again.');
    }

    /** What the amounts typed for a pair would set off. Nothing is kept. */
    public function rehearsePair(Request $request, ViewPoint $at, PairWorktop $worktop): View
    {
        $pair = self::pair($request, $at, $worktop);

        try {
            return view('runs.pair-rehearsal', $worktop->of(
                $at->account, $at->asOf, $pair, $worktop->typed($pair, (array) $request->input()),
            ));
        } catch (Refusal $refusal) {
            // an amount that cannot be read, yet
            return view('runs.pair-rehearsal', ['unread' => $refusal->getMessage()]);
        }
    }

    public function keepPair(Request $request, ViewPoint $at, PairWorktop $worktop, KeepPairChoices $keep): RedirectResponse
    {
        $pair = self::pair($request, $at, $worktop);
        $keep->post(
            FormKey::of($request, 'pair'),
            $at->account,
            $at->asOf,
            $worktop->typed($pair, (array) $request->input()),
            PairWorktop::itemIds($pair),
            PairWorktop::billIds($pair),
            $request->string('reason')->toString(),
        );

        return redirect()
            ->route('contra', ['pair' => PairWorktop::name($pair->party)])
            ->with('done', ['text' => 'Kept. The run is counted again.']);
    }

    private static function pair(Request $request, ViewPoint $at, PairWorktop $worktop): Pair
    {
        return $worktop->pair($at->account, $at->asOf, $request->string('pair')->toString())
            ?? throw Refusal::notFound('This pair has nothing open any more. Load the page again.');
    }

    public function again(
        Request $request, string $kind, int $run, ViewPoint $at, PostRun $post, Runs $runs, Actor $actor,
    ): RedirectResponse {
        [$key, $of] = [FormKey::of($request, 'run-again'), self::kind($kind)];
        if (CarryOut::isLongRun($runs->lines($run))) {
            return LongRun::begin(WorkKind::RunAgain, $key, $of, $at->account, ['run' => (string) $run], $actor);
        }
        $new = $post->again($key, $of, $at->account, $run);

        return self::done($kind, "Run {$run} is taken back, and run {$new} takes its place.");
    }

    /** A run that was posted, with what it took and what it left out. */
    public function show(Request $request, Run $run, RunRows $rows, Runs $runs, Settings $settings): string
    {
        $of = RunKind::from($run->kind);
        abort_if($of === RunKind::MatchUnapplied, 404);
        $all = $rows->of($run->id);

        return Part::of(view('runs.show', [
            'run' => $run,
            'kind' => $of,
            'taken' => count(array_filter($all, static fn (RunRow $row): bool => $row->state === 'taken')),
            'window' => ListWindow::of(
                $request,
                $all,
                static fn (RunRow $row): string => "{$row->state} {$row->customer} {$row->document} {$row->why}",
                [
                    'state' => static fn (RunRow $row): string => $row->state,
                    'customer' => static fn (RunRow $row): string => $row->customer,
                    'document' => static fn (RunRow $row): string => $row->document,
                    'amount' => static fn (RunRow $row): int => $row->amount->minor,
                    'base' => static fn (RunRow $row): int => $row->base,
                ],
            ),
            'vouchers' => PostedVoucher::query()->where('run_id', $run->id)->orderBy('id')->limit(self::VOUCHERS)->get()->all(),
            'most' => self::VOUCHERS,
            'reversed' => $runs->reversal($run->id),
            'base' => $settings->base(),
        ]), $request);
    }

    /** All letters of a run in one file. */
    public function letters(int $run, ContraLetters $letters): Response
    {
        return Download::send($letters->pdf($letters->ofRun($run)), "contra-run-{$run}.pdf", 'application/pdf');
    }

    public function pairBack(Request $request, int $item, TakePairBack $back): RedirectResponse
    {
        $back->post(FormKey::of($request, 'pair-back'), $item, $request->string('reason')->toString());

        return redirect()
            ->route('document', $item)
            ->with('done', ['text' => 'The pair is taken back; the rest of the run stays.', 'url' => route('contra'), 'link' => 'Contra']);
    }

    public function sendLetters(Request $request, int $run, SendContraLetters $send): RedirectResponse
    {
        $said = $send->post(FormKey::of($request, 'send-letters'), $run);

        return redirect()
            ->route('contra')
            ->with('done', ['text' => $said, 'url' => route('outbox'), 'link' => 'Open the outbox']);
    }

    public function block(Request $request, string $kind, BlockCustomer $blocks): RedirectResponse
    {
        $number = $request->string('customer')->toString();
        $blocks->block(FormKey::of($request, 'block'), self::kind($kind), $number, $request->string('reason')->toString());

        return self::done($kind, "This run leaves {$number} alone.");
    }

    public function lift(Request $request, string $kind, int $block, BlockCustomer $blocks): RedirectResponse
    {
        $blocks->lift(FormKey::of($request, 'lift'), self::kind($kind), $block);

        return self::done($kind, 'The customer is in the run again.');
    }

    public function reverse(
        Request $request, string $kind, int $run, ViewPoint $at, ReverseRun $reverse, Runs $runs, Actor $actor,
    ): RedirectResponse {
        [$key, $of] = [FormKey::of($request, 'reverse-run'), self::kind($kind)];
        $reason = $request->string('reason')->toString();
        if (CarryOut::isLongRun($runs->lines($run))) {
            $what = ['run' => (string) $run, 'reason' => $reason, 'date' => ''];

            return LongRun::begin(WorkKind::RunBack, $key, $of, $at->account, $what, $actor);
        }
        $reverse->post($key, $of, $run, $reason);

        return self::done($kind, "Run {$run} is taken back as one.");
    }

    /** @return array<int, list<string>> the run of the day that presents other credits than there are now */
    private static function stale(RunPlan $run): array
    {
        return $run instanceof PresentationPlan && $run->outOfDate !== null ? [$run->outOfDate => ['balances']] : [];
    }

    private static function kind(string $kind): RunKind
    {
        return RunKind::from(str_replace('-', '_', $kind));
    }

    /** @return view-string */
    private static function page(RunKind $kind): string
    {
        return match ($kind) {
            RunKind::Contra => 'runs.contra',
            RunKind::Currency => 'runs.currency',
            RunKind::Allowance => 'runs.allowance',
            RunKind::CreditBalances => 'runs.credit-balances',
            default => 'runs.residues',
        };
    }

    private static function done(string $kind, string $text): RedirectResponse
    {
        return redirect()
            ->route($kind)
            ->with('done', ['text' => $text, 'url' => route('journals'), 'link' => 'Journals']);
    }

    /**
     * @param callable(): PostingPlan $plan
     * @return array{?PostingPlan, string} and why there is none
     */
    private static function rehearsed(callable $plan): array
    {
        try {
            return [$plan(), ''];
        } catch (Refusal $refusal) {
            return [null, $refusal->getMessage()];
        }
    }
}
