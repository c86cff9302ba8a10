<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use App\Actions\Proof\CorrectCause;
use App\Http\Answer;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\CustomerSearch;
use App\Values\CauseCorrection;
use App\Values\CorrectionWay;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What mends a cause of the proof. */
final class CorrectionsController
{
    public function __invoke(
        Request $request,
        CorrectionWay $way,
        ViewPoint $at,
        CorrectCause $mend,
        CustomerSearch $search,
    ): RedirectResponse {
        $counter = $request->string('counter')->toString();
        $came = $mend->correct(FormKey::of($request, 'correct'), new CauseCorrection(
            $way,
            $at->account->id,
            $at->asOf,
            $request->string($way === CorrectionWay::VoucherForEach ? 'cause' : 'line')->toString(),
            $counter === '' ? null : $counter,
            $way === CorrectionWay::Accrual ? $at->asOf : Day::of($request->string('date')->toString()),
            $way === CorrectionWay::Customer ? $search->one($request->string('who')->toString())->id : null,
        ));
        $text = match ($way) {
            CorrectionWay::Voucher => 'Posted. The cause is gone if the voucher says what the document says.',
            CorrectionWay::VoucherForEach => 'Posted, a voucher for each.',
            CorrectionWay::Accrual => "Accrued at {$at->asOf}, and taken back on the day after.",
            CorrectionWay::Customer => 'Posted with the customer. The control account is as it was.',
        };

        return $came->request !== null
            ? Answer::asked($came->request)
            : redirect()->route('proof')->with('done', ['text' => $text, 'url' => route('journals'), 'link' => 'Journals']);
    }
}
