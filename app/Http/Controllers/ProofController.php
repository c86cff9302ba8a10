<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\PairedBy;
use Ajuste\Core\Proof\ProofLine;
use App\Actions\MendCause;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\Pictures\Bridge;
use App\Http\Pictures\DayPicture;
use App\Http\ViewPoint;
use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Queries\CarriedCauses;
use App\Queries\ControlFigures;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class ProofController
{
    public function index(Request $request, ViewPoint $at, Settings $settings, Reports $reports, ControlFigures $figures, CarriedCauses $carried, MendCause $mend): string
    {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);
        $day = $request->string('day')->toString();
        $cause = $request->string('cause')->toString();
        $shown = array_values(array_filter($proof->lines, static fn (CauseLine $line): bool => ($day === '' || self::touches($line, $day)) && ($cause === '' || $line->cause->value === $cause)));
        $wanted = $request->string('line')->toString();
        $chosen = array_values(array_filter($shown, static fn (CauseLine $line): bool => $line->key() === $wanted))[0] ?? $shown[0] ?? null;

        return view('proof.index', [
            'proof' => $proof,
            'shown' => $shown,
            'chosen' => $chosen,
            'day' => $day !== '' ? Day::of($day) : '',
            'cause' => $cause,
            'bridge' => new Bridge($proof, $settings->base()),
            'picture' => new DayPicture($figures->days($at->account, Day::firstOfMonth($at->asOf), $at->asOf), 460, $settings->base()),
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
        ])->fragmentIf($request->header('HX-Target') === 'worktop', 'worktop');
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

    public function export(string $format, ViewPoint $at, Settings $settings, Reports $reports): Response
    {
        $proof = $reports->proof($at->account, $at->asOf, $at->knownAt);
        $say = static fn (int $minor): string => Money::ofMinor($minor, $settings->base())->decimal();
        $rows = [['cause', 'document', 'customer', 'entry', 'ledger', 'subledger', 'amount', 'note']];
        foreach ($proof->lines as $line) {
            $rows[] = [$line->cause->value, $line->document(), $line->customer(), $line->entry(), $say($line->ledger), $say($line->subledger), $say($line->amount), $line->note];
        }

        return Download::table($rows, "proof-{$at->account->number}-{$at->asOf}", $format, [4, 5, 6]);
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
