<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\Accrual;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Proof\ProofLine;
use App\Actions\Proof\AskAtSource;
use App\Actions\Proof\CarryCause;
use App\Actions\Proof\CorrectCause;
use App\Actions\Proof\PairByHand;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Paper;
use App\Http\Part;
use App\Http\Pictures\Bridge;
use App\Http\Pictures\DayPicture;
use App\Http\SheetHead;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Queries\CarriedCauses;
use App\Queries\CauseAccounts;
use App\Queries\ControlFigures;
use App\Queries\Notes;
use App\Queries\ProofBlindSpots;
use App\Queries\ProofLines;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\SourceFix;
use App\Queries\SourceFixes;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use stdClass;
use Symfony\Component\HttpFoundation\Response;

final class ProofController
{
    public function index(
        Request $request,
        ViewPoint $at,
        Settings $settings,
        Reports $reports,
        ControlFigures $figures,
        CarriedCauses $carried,
        CorrectCause $mend,
        CauseAccounts $accounts,
        SourceFixes $sources,
    ): string {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);
        $shown = self::shown($request, $proof);
        $wanted = $request->string('line')->toString();
        $chosen =
            array_values(array_filter($shown, static fn (CauseLine $line): bool => $line->key() === $wanted))[0] ?? ($shown[0] ?? null);
        $names = Customer::query()
            ->whereIn('customer', array_map(static fn (CauseLine $line): string => $line->customer(), $shown))
            ->pluck('name', 'customer');
        $window = self::window($request, $shown, $names);
        $year = $request->string('span')->toString() === 'year';
        $first = $year ? $at->yearBack() : $at->period->first;
        $chart = $figures->days($at->account, $first, $at->asOf);
        $locked = $settings->locked()->through;
        $day = $request->string('day')->toString();
        $base = $settings->base();

        return Part::of(
            view('proof.index', [
                'year' => $year,
                'since' => $chart->apartSince(),
                'signed' => $locked === null || $locked > $at->asOf ? null : [$locked, $figures->at($at->account, $locked)->difference],
                ...self::asked($sources->of($at->account, $at->asOf)),
                'byHand' => self::byHand($at->account),
                'proof' => $proof,
                'shown' => $shown,
                'window' => $window,
                'chosen' => $chosen,
                'day' => $day !== '' ? Day::of($day) : '',
                'cause' => $request->string('cause')->toString(),
                'bridge' => new Bridge($proof, $base),
                'picture' => new DayPicture($chart, 460, $base),
                'tests' => array_filter($proof->pairs),
                'testWords' => array_combine(
                    array_column(PairedBy::cases(), 'value'),
                    array_map(static fn (PairedBy $by): string => $by->words(), PairedBy::cases()),
                ),
                'customers' => $names,
                'base' => $base,
                'carried' => $carried->of($at->account),
                'unexplained' => Money::ofMinor($proof->unexplained($carried->of($at->account)), $base),
                'accounts' => $settings->accounts()->all(),
                'key' => bin2hex(random_bytes(16)),
                'correctionDate' => $settings->locked()->firstOpenFrom($at->asOf),
                'control' => Money::ofMinor($proof->control, $base),
                ...$this->remedies($chosen, $proof, $at, $settings, $mend, $accounts),
            ]),
            $request,
        );
    }

    /**
     * @param list<CauseLine> $lines
     * @param Collection<array-key, mixed> $names of customers, by number
     * @return ListWindow<CauseLine>
     */
    private static function window(Request $request, array $lines, Collection $names): ListWindow
    {
        $what = static fn (CauseLine $line): string => trim("{$line->document()} {$names->get($line->customer())} {$line->note}");

        return ListWindow::of(
            $request,
            $lines,
            static fn (CauseLine $line): string => "{$line->cause->words()} {$what($line)} {$line->customer()}",
            [
                'cause' => static fn (CauseLine $line): string => $line->cause->words(),
                'what' => $what,
                'date' => static fn (CauseLine $line): string => $line->date(),
                'amount' => static fn (CauseLine $line): int => $line->amount,
            ],
        );
    }

    /** @return list<CauseLine> those of the day and the cause that are asked for */
    private static function shown(Request $request, Proof $proof): array
    {
        $day = $request->string('day')->toString();
        $cause = $request->string('cause')->toString();

        return array_values(
            array_filter(
                $proof->lines,
                static fn (CauseLine $line): bool => ($day === '' || self::touches($line, $day)) &&
                    ($cause === '' || $line->cause->value === $cause),
            ),
        );
    }

    /**
     * @param list<SourceFix> $fixes
     * @return array<string, mixed> what was asked at the source and is not done, by cause, and how much was asked in all
     */
    private static function asked(array $fixes): array
    {
        $open = array_filter($fixes, static fn (SourceFix $fix): bool => ! $fix->done);
        $byCause = array_map(static fn (SourceFix $fix): array => [$fix->causeKey, $fix], $open);

        return ['asked' => array_column($byCause, 1, 0), 'fixes' => count($fixes)];
    }

    /** @return Collection<int, stdClass> pairs that persons made, the last first */
    private static function byHand(Account $account): Collection
    {
        return DB::table('hand_pairs')
            ->where('account_id', $account->id)
            ->whereNotIn('id', DB::table('hand_pairs_withdrawn')->select('hand_pair_id'))
            ->orderByDesc('id')
            ->limit(100)
            ->get();
    }

    /** @return array<string, mixed> the evidence of a cause and what can be done about it */
    private function remedies(
        ?CauseLine $chosen,
        Proof $proof,
        ViewPoint $at,
        Settings $settings,
        CorrectCause $mend,
        CauseAccounts $accounts,
    ): array {
        $ids = static fn (array $lines): array => array_map(static fn (ProofLine $line): int => $line->id, array_slice($lines, 0, 50));
        $isMendable = $chosen !== null && LedgerCorrection::fits($chosen);
        $then = static fn (int $now): Money => Money::ofMinor($now + ($chosen->amount ?? 0), $settings->base());

        return [
            'suggested' => $chosen === null ? '' : SourceFixes::suggested($chosen),
            'ownSide' => $chosen !== null && CustomerCorrection::fits($chosen)
                    ? (new CustomerCorrection($settings->locked(), $settings->base()))->amount($chosen)
                    : null,
            'partners' => $chosen === null ? [] : self::partners($chosen, $proof->lines),
            'postings' => Posting::query()->whereIn('id', $ids($chosen->postings ?? []))->orderBy('date')->get(),
            'items' => Item::query()->whereNull('superseded_at')->whereIn('root_id', $ids($chosen->items ?? []))->orderBy('date')->get(),
            'against' => $chosen === null ? [] : $accounts->of($chosen, $at->account),
            'accruable' => $chosen !== null && Accrual::fits($chosen),
            'sameKind' => $isMendable ? count($mend->ofKind($at->account, $at->asOf, $chosen->cause)) : 0,
            'after' => $chosen === null ? null : [$then($proof->control), $then($proof->difference)],
            'mendable' => $isMendable,
            'why' => $chosen === null ? '' : $mend->needsApproval([Money::ofMinor($chosen->amount, $settings->base())], $at->asOf),
        ];
    }

    /** All corrections that their sources have made needless. */
    public function reverseNotNeeded(Request $request, ViewPoint $at, CorrectCause $mend): RedirectResponse
    {
        $mend->reverseNotNeeded(FormKey::of($request, 'not-needed'), $at->account, $at->asOf);

        return redirect()
            ->route('proof')
            ->with('done', [
                'text' => 'Reversed. What was mended at the source stands alone.', 'url' => route('journals'), 'link' => 'Journals',
            ]);
    }

    public function ask(Request $request, ViewPoint $at, AskAtSource $ask): RedirectResponse
    {
        $ask->post(
            FormKey::of($request, 'ask'),
            $at->account,
            $at->asOf,
            $request->string('line')->toString(),
            $request->string('request')->toString(),
        );

        return redirect()
            ->route('proof')
            ->with('done', [
                'text' => 'On the list for the source. It is ticked off when an import shows it done.',
                'url' => route('proof.source'),
                'link' => 'Open the list',
            ]);
    }

    public function pair(Request $request, ViewPoint $at, PairByHand $pair): RedirectResponse
    {
        $others = array_values(array_filter((array) $request->input('others', []), is_string(...)));
        [$line, $reason] = [$request->string('line')->toString(), $request->string('reason')->toString()];
        $others !== []
            ? $pair->together(FormKey::of($request, 'pair'), $at->account, $at->asOf, [$line, ...$others], $reason)
            : $pair->apart(FormKey::of($request, 'pair'), $at->account, $at->asOf, $line, $reason);

        return redirect()
            ->route('proof')
            ->with('done', [
                'text' => $others !== [] ? 'Paired by hand. It stands above the tests.' : 'Parted by hand. They find each other no more.',
            ]);
    }

    public function withdrawPair(Request $request, int $pair, PairByHand $byHand): RedirectResponse
    {
        $byHand->withdraw(FormKey::of($request, 'withdraw-pair'), $pair);

        return redirect()
            ->route('proof')
            ->with('done', ['text' => 'Withdrawn. The tests decide again.']);
    }

    /** What others mend at the source. */
    public function source(ViewPoint $at, SourceFixes $sources, Settings $settings): View
    {
        return view('proof.source', [
            'fixes' => $sources->of($at->account, $at->asOf),
            'account' => $at->account,
            'base' => $settings->base(),
        ]);
    }

    /** Pairs that one test made, agreeing ones too, each to be opened or parted. */
    public function pairs(Request $request, ViewPoint $at, Settings $settings, Reports $reports): View
    {
        $by = PairedBy::tryFrom($request->string('by')->toString()) ?? PairedBy::Entry;
        $all = $request->boolean('all');
        $proof = $reports->proofOf(
            $all ? ProofLines::all($at->account->id) : ProofLines::since($at->account->id, $at->asOf),
            $at->asOf,
            $by,
        );

        return view('proof.pairs', [
            'by' => $by,
            'all' => $all,
            'agreed' => $proof->agreed,
            'pairs' => $proof->collected,
            'counts' => array_filter($proof->pairs),
            'base' => $settings->base(),
            'account' => $at->account,
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    /** What both sides agree on and may be wrong all the same. */
    public function unseen(ViewPoint $at, ProofBlindSpots $spots, Settings $settings): View
    {
        return view('proof.unseen', [
            'twice' => $spots->twiceOnBothSides($at->account, $at->asOf),
            'gaps' => $spots->gaps($at->account, $at->asOf),
            'quotes' => $spots->quotesAnother($at->account, $at->asOf),
            'base' => $settings->base(),
            'account' => $at->account,
        ]);
    }

    /** The bridge as a statement on paper. */
    public function paper(ViewPoint $at, Reports $reports, Settings $settings, CarriedCauses $carried): Response
    {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);

        return Paper::pdf(
            'proof.paper',
            [
                'proof' => $proof,
                'account' => $at->account,
                'base' => $settings->base(),
                'carried' => $carried->of($at->account),
                'notes' => Notes::ofCauses($at->account->id),
            ],
            "proof-{$at->account->number}-{$at->asOf}",
        );
    }

    public function carry(Request $request, ViewPoint $at, CarryCause $carry): RedirectResponse
    {
        $carry->post(
            FormKey::of($request, 'carry'),
            $at->account,
            $at->asOf,
            $request->string('line')->toString(),
            $request->string('reason')->toString(),
        );

        return redirect()
            ->route('proof')
            ->with('done', ['text' => 'Carried. It stays on the list with your reason.']);
    }

    public function withdraw(Request $request, int $carried, CarryCause $carry): RedirectResponse
    {
        $carry->withdraw(FormKey::of($request, 'withdraw'), $carried);

        return redirect()
            ->route('proof')
            ->with('done', ['text' => 'Open again.']);
    }

    public function export(string $format, ViewPoint $at, Settings $settings, Reports $reports, CarriedCauses $causes): Response
    {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);
        $say = static fn (int $minor): string => Money::ofMinor($minor, $settings->base())->decimal();
        $rows = [['cause', 'document', 'customer', 'entry', 'ledger', 'subledger', 'amount', 'note', 'carried_by', 'reason', 'notes']];
        $notes = Notes::ofCauses($at->account->id);
        $carried = $causes->of($at->account);
        foreach ($proof->lines as $line) {
            $kept = ($carried[$line->key()] ?? null)?->explains($line, $proof->asOf) ? $carried[$line->key()] : null;
            $rows[] = [
                $line->cause->value,
                $line->document(),
                $line->customer(),
                $line->entry(),
                $say($line->ledger),
                $say($line->subledger),
                $say($line->amount),
                $line->note,
                $kept->who ?? '',
                $kept->reason ?? '',
                implode(' / ', array_map(static fn (object $note): string => "{$note->who}: {$note->text}", $notes[$line->key()] ?? [])),
            ];
        }

        $sums = ['sum of causes', '', '', '', '', '', $say($proof->customers - $proof->control)];
        $format === 'xlsx' && ($rows[] = $sums);

        return Download::table($rows, "proof-{$at->account->number}-{$at->asOf}", $format, [4, 5, 6], new SheetHead(
            "Proof of {$at->account->title()}, {$at->asOf}",
            "Control account {$say($proof->control)}, customers {$say($proof->customers)}, in {$settings->base()->code}",
            sums: true,
        ));
    }

    /**
     * Lines of the other side that a line without a counterpart may belong to, the nearest amount first.
     *
     * @param list<CauseLine> $lines
     * @return list<CauseLine>
     */
    private static function partners(CauseLine $chosen, array $lines): array
    {
        if ($chosen->postings !== [] && $chosen->items !== []) {
            return [];
        }
        $others = array_values(
            array_filter(
                $lines,
                static fn (CauseLine $line): bool => ($chosen->items === [] ? $line->postings === [] : $line->items === []) &&
                    $line->postings !== $line->items,
            ),
        );
        usort(
            $others,
            static fn (CauseLine $one, CauseLine $other): int => abs($one->amount + $chosen->amount) <=>
                abs($other->amount + $chosen->amount),
        );

        return array_slice($others, 0, 30);
    }

    private static function touches(CauseLine $line, string $day): bool
    {
        foreach ([...$line->postings, ...$line->items] as $part) {
            if ($part->date === $day) {
                return true;
            }
        }

        return false;
    }
}
