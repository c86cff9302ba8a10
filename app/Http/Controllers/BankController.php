<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Bank\BookedMovement;
use Ajuste\Core\Bank\MovementAnswer;
use Ajuste\Core\Bank\Unconfirmed;
use Ajuste\Core\Refusal;
use App\Actions\Receipts\AnswerMovement;
use App\Actions\Receipts\PlaceElsewhere;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\BankAccount;
use App\Queries\BankAccounts;
use App\Queries\PostedMoney;
use App\Queries\StatementLines;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Bank against book: what stands between each bank account's statement and the ledger, and the way to settle it. */
final class BankController
{
    public function index(Request $request, ViewPoint $at, BankAccounts $banks, StatementLines $lines, PostedMoney $posted): View
    {
        $accounts = $banks->all($at->asOf);
        $number = $request->string('bank')->toString();
        $chosen =
            array_values(array_filter($accounts, static fn (BankAccount $of): bool => $of->account->number === $number))[0] ??
            ($accounts[0] ?? null);
        $movements = [...$chosen->against->toPlace ?? [], ...$chosen->against->outflows ?? []];
        $asked = array_filter($movements, static fn (BookedMovement $of): bool => $of->id === $request->integer('line'));
        $line = array_values($asked)[0] ?? null;
        // To begin with, the first that nobody has said anything of.
        $waiting = array_values(array_filter($movements, static fn (BookedMovement $of): bool => ! $of->isDecided));
        $line ??= $request->integer('posting') === 0 ? $waiting[0] ?? null : null;
        $unconfirmed =
            array_values(
                array_filter(
                    $chosen->against->unconfirmed ?? [],
                    static fn (Unconfirmed $of): bool => $of->posting->id === $request->integer('posting'),
                ),
            )[0] ?? null;

        return view('bank.index', [
            'accounts' => $accounts,
            'chosen' => $chosen,
            'pending' => $chosen === null ? [] : $banks->pending($chosen->account->id, $at->asOf),
            'line' => $line,
            'place' => $line === null ? null : $posted->placeOf($line->id),
            'unconfirmed' => $unconfirmed,
            'posting' => $unconfirmed === null ? null : $posted->find($unconfirmed->posting->id),
            'movements' => $movements,
            'told' => $lines->titles(array_map(static fn (BookedMovement $of): int => $of->id, $movements)),
            'entries' => $posted->entries(
                array_map(static fn (Unconfirmed $of): int => $of->posting->id, $chosen->against->unconfirmed ?? []),
            ),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    /** A person says which posting a movement is. */
    public function pick(Request $request, PlaceElsewhere $place): RedirectResponse
    {
        $place->confirm(FormKey::of($request, 'confirm'), $request->integer('line'), $request->integer('posting'));

        return redirect()
            ->route('bank', $request->only('bank'))
            ->with('done', ['text' => 'Confirmed by the bank.']);
    }

    /** Money that went out, or came in, and is no matter of receivables. */
    public function decide(Request $request, int $line, PlaceElsewhere $place): RedirectResponse
    {
        $place->setAside(FormKey::of($request, 'aside'), $line, $request->string('reason')->toString());

        return redirect()
            ->route('bank', $request->only('bank'))
            ->with('done', ['text' => 'Decided: not receivables. It stands here until the ledger has it.']);
    }

    /** Whether a movement is one that was known already. */
    public function answer(Request $request, int $line, AnswerMovement $answer): RedirectResponse
    {
        $said =
            MovementAnswer::tryFrom($request->string('answer')->toString()) ??
            throw new Refusal('Say whether it is the same movement or another one.');
        $answer->post(FormKey::of($request, 'answer'), $line, $said);

        return redirect()
            ->route('receipts', $said === MovementAnswer::Same ? [] : ['line' => $line])
            ->with('done', ['text' => $said === MovementAnswer::Same ? 'Counted once.' : 'It is to be placed by itself.']);
    }
}
