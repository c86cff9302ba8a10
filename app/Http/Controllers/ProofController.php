<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\ProofLine;
use App\Actions\MendCause;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\Paper;
use App\Http\Part;
use App\Http\Pictures\Bridge;
use App\Http\Pictures\DayPicture;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Queries\CarriedCauses;
use App\Queries\ControlFigures;
use App\Queries\CustomerSearch;
use App\Queries\Notes;
use App\Queries\ProofBlindSpots;
use App\Queries\ProofLines;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\SourceFix;
use App\Queries\SourceFixes;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

final class ProofController
{
    public function index(Request $request, ViewPoint $at, Settings $settings, Reports $reports, ControlFigures $figures, CarriedCauses $carried, MendCause $mend, SourceFixes $sources): string
    {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);
        $day = $request->string('day')->toString();
        $cause = $request->string('cause')->toString();
        $shown = array_values(array_filter($proof->lines, static fn (CauseLine $line): bool => ($day === '' || self::touches($line, $day)) && ($cause === '' || $line->cause->value === $cause)));
        $wanted = $request->string('line')->toString();
        $chosen = array_values(array_filter($shown, static fn (CauseLine $line): bool => $line->key() === $wanted))[0] ?? $shown[0] ?? null;

        $year = $request->string('span')->toString() === 'year';
        $chart = $figures->days($at->account, $year ? Day::plus(Day::firstOfMonth($at->asOf), -365) : Day::firstOfMonth($at->asOf), $at->asOf);
        $fixes = $sources->of($at->account, $at->asOf);
        $locked = $settings->locked()->through;

        return Part::of(view('proof.index', [
            'year' => $year, 'since' => $chart->apartSince(), 'signed' => $locked === null || $locked > $at->asOf ? null : [$locked, $figures->at($at->account, $locked)->difference],
            'asked' => array_column(array_map(static fn (SourceFix $fix): array => [$fix->causeKey, $fix], array_filter($fixes, static fn (SourceFix $fix): bool => ! $fix->done)), 1, 0), 'fixes' => count($fixes),
            'suggested' => $chosen === null ? '' : SourceFixes::suggested($chosen),
            'ownSide' => $chosen !== null && CustomerCorrection::fits($chosen) ? (new CustomerCorrection($settings->locked(), $settings->base()))->amount($chosen) : null,
            'partners' => $chosen === null ? [] : self::partners($chosen, $proof->lines), 'byHand' => DB::table('hand_pairs')->where('account_id', $at->account->id)->whereNotIn('id', DB::table('hand_pairs_withdrawn')->select('hand_pair_id'))->orderByDesc('id')->limit(100)->get(),
            'proof' => $proof,
            'shown' => $shown, 'offset' => $request->integer('from'),
            'chosen' => $chosen,
            'day' => $day !== '' ? Day::of($day) : '',
            'cause' => $cause,
            'bridge' => new Bridge($proof, $settings->base()),
            'picture' => new DayPicture($chart, 460, $settings->base()),
            'tests' => array_filter($proof->pairs),
            'testWords' => array_column(array_map(static fn (PairedBy $by): array => [$by->value, $by->words()], PairedBy::cases()), 1, 0),
            'postings' => $chosen === null ? collect() : Posting::query()->whereIn('id', array_map(static fn (ProofLine $line): int => $line->id, array_slice($chosen->postings, 0, 50)))->orderBy('date')->get(),
            'items' => $chosen === null ? collect() : Item::query()->whereNull('superseded_at')->whereIn('root_id', array_map(static fn (ProofLine $line): int => $line->id, array_slice($chosen->items, 0, 50)))->orderBy('date')->get(),
            'customers' => Customer::query()->whereIn('customer', array_map(static fn (CauseLine $line): string => $line->customer(), $shown))->pluck('name', 'customer'),
            'base' => $settings->base(),
            'carried' => $carried->of($at->account),
            'unexplained' => Money::ofMinor($proof->unexplained($carried->of($at->account)), $settings->base()),
            'counter' => $chosen === null || ! LedgerCorrection::fits($chosen) ? null : $mend->counterAccount($chosen, $at->account),
            'after' => $chosen === null ? null : [Money::ofMinor($proof->control + $chosen->amount, $settings->base()), Money::ofMinor($proof->difference + $chosen->amount, $settings->base())],
            'mendable' => $chosen !== null && LedgerCorrection::fits($chosen),
            'accounts' => $settings->accounts()->all(),
            'key' => bin2hex(random_bytes(16)),
            'correctionDate' => $settings->locked()->firstOpenFrom($at->asOf),
            'control' => Money::ofMinor($proof->control, $settings->base()),
        ]), $request);
    }

    public function correct(Request $request, ViewPoint $at, Settings $settings, MendCause $mend): RedirectResponse
    {
        $mend->correct(
            FormKey::of($request, 'correct'), $at->account, $at->asOf, $request->string('line')->toString(),
            $settings->accounts()->numbered($request->string('counter')->toString()), Day::of($request->string('date')->toString()),
        );

        return redirect()->route('proof')->with('done', [
            'text' => 'Posted. The cause is gone if the voucher says what the document says.', 'url' => route('journals'), 'link' => 'Journals',
        ]);
    }

    public function adjust(Request $request, ViewPoint $at, MendCause $mend, CustomerSearch $search): RedirectResponse
    {
        $mend->adjustCustomer(
            FormKey::of($request, 'adjust'), $at->account, $at->asOf, $request->string('line')->toString(), $search->one($request->string('who')->toString())->id, Day::of($request->string('date')->toString()),
        );

        return redirect()->route('proof')->with('done', ['text' => 'Posted with the customer. The control account is as it was.', 'url' => route('journals'), 'link' => 'Journals']);
    }

    public function ask(Request $request, ViewPoint $at, MendCause $mend): RedirectResponse
    {
        $mend->askAtSource(FormKey::of($request, 'ask'), $at->account, $at->asOf, $request->string('line')->toString(), $request->string('request')->toString());

        return redirect()->route('proof')->with('done', ['text' => 'On the list for the source. It is ticked off when an import shows it done.', 'url' => route('proof.source'), 'link' => 'Open the list']);
    }

    public function pair(Request $request, ViewPoint $at, MendCause $mend): RedirectResponse
    {
        $together = $request->string('with')->toString();
        $mend->pairByHand(FormKey::of($request, 'pair'), $at->account, $at->asOf, array_values(array_filter([$request->string('line')->toString(), $together])), $together !== '', $request->string('reason')->toString());

        return redirect()->route('proof')->with('done', ['text' => $together !== '' ? 'Paired by hand. It stands above the tests.' : 'Parted by hand. They find each other no more.']);
    }

    public function withdrawPair(Request $request, int $pair, MendCause $mend): RedirectResponse
    {
        $mend->withdrawPair(FormKey::of($request, 'withdraw-pair'), $pair);

        return redirect()->route('proof')->with('done', ['text' => 'Withdrawn. The tests decide again.']);
    }

    /** What others mend at the source. */
    public function source(ViewPoint $at, SourceFixes $sources, Settings $settings): View
    {
        return view('proof.source', ['fixes' => $sources->of($at->account, $at->asOf), 'account' => $at->account, 'base' => $settings->base()]);
    }

    /** Pairs that one test made, agreeing ones too, each to be opened or parted. */
    public function pairs(Request $request, ViewPoint $at, Settings $settings, Reports $reports): View
    {
        $by = PairedBy::tryFrom($request->string('by')->toString()) ?? PairedBy::Entry;
        $all = $request->boolean('all');
        $proof = $reports->proofOf($all ? ProofLines::all($at->account->id) : ProofLines::since($at->account->id, $at->asOf), $at->asOf, $by);

        return view('proof.pairs', ['by' => $by, 'all' => $all, 'agreed' => $proof->agreed, 'pairs' => $proof->collected, 'counts' => array_filter($proof->pairs), 'base' => $settings->base(), 'account' => $at->account, 'key' => bin2hex(random_bytes(16))]);
    }

    /** What both sides agree on and may be wrong all the same. */
    public function unseen(ViewPoint $at, ProofBlindSpots $spots, Settings $settings): View
    {
        return view('proof.unseen', [
            'twice' => $spots->twiceOnBothSides($at->account, $at->asOf), 'gaps' => $spots->gaps($at->account, $at->asOf), 'quotes' => $spots->quotesAnother($at->account, $at->asOf), 'base' => $settings->base(), 'account' => $at->account,
        ]);
    }

    /** The bridge as a statement on paper. */
    public function paper(ViewPoint $at, Reports $reports, Settings $settings, CarriedCauses $carried): Response
    {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);

        return Paper::pdf('proof.paper', ['proof' => $proof, 'account' => $at->account, 'base' => $settings->base(), 'carried' => $carried->of($at->account), 'notes' => Notes::ofCauses($at->account->id), 'booksName' => $settings->text(Setting::BooksName)], "proof-{$at->account->number}-{$at->asOf}");
    }

    public function carry(Request $request, ViewPoint $at, MendCause $mend): RedirectResponse
    {
        $mend->carry(FormKey::of($request, 'carry'), $at->account, $at->asOf, $request->string('line')->toString(), $request->string('reason')->toString());

        return redirect()->route('proof')->with('done', ['text' => 'Carried. It stays on the list with your reason.']);
    }

    public function withdraw(Request $request, int $carried, MendCause $mend): RedirectResponse
    {
        $mend->withdraw(FormKey::of($request, 'withdraw'), $carried);

        return redirect()->route('proof')->with('done', ['text' => 'Open again.']);
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
            $rows[] = [$line->cause->value, $line->document(), $line->customer(), $line->entry(), $say($line->ledger), $say($line->subledger), $say($line->amount), $line->note, $kept->who ?? '', $kept->reason ?? '', implode(' / ', array_map(static fn (object $note): string => "{$note->who}: {$note->text}", $notes[$line->key()] ?? []))];
        }

        return Download::table($rows, "proof-{$at->account->number}-{$at->asOf}", $format, [4, 5, 6]);
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
        $others = array_values(array_filter($lines, static fn (CauseLine $line): bool => ($chosen->items === [] ? $line->postings === [] : $line->items === []) && $line->postings !== $line->items));
        usort($others, static fn (CauseLine $one, CauseLine $other): int => abs($one->amount + $chosen->amount) <=> abs($other->amount + $chosen->amount));

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
