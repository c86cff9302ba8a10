<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Statement\ConfirmationSample;
use Ajuste\Core\Statement\SampleRule;
use App\Actions\CarryOut;
use App\Actions\Confirm;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\Confirmations;
use App\Queries\Settings;
use App\Support\Actor;
use App\Values\WorkKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Balances that customers confirm to the auditor. */
final class ConfirmationsController
{
    /** So many letters go into one file. */
    private const PRINTED = 200;

    public function index(Request $request, ViewPoint $at, Settings $settings, Confirmations $confirmations): View
    {
        $samples = $confirmations->samples();
        $wanted = $request->integer('sample');
        $sample = $wanted === 0 ? ($samples[0] ?? null) : $confirmations->sample($wanted);

        return view('confirmations.index', [
            'samples' => $samples,
            'sample' => $sample,
            'letters' => $sample === null ? [] : $confirmations->letters($sample->id),
            'rules' => SampleRule::cases(),
            'asOf' => $at->asOf,
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function draw(Request $request, ViewPoint $at, Settings $settings, Confirm $confirm): RedirectResponse
    {
        $text = static fn (string $field): string => trim($request->string($field)->toString());
        $rule = SampleRule::tryFrom($text('rule')) ?? throw new Refusal('Choose by which rule customers are drawn.');
        $base = $settings->base();
        /** @param  array<int, Money>  $balances */
        $draw = static fn (array $balances): ConfirmationSample => match ($rule) {
            SampleRule::Largest => ConfirmationSample::largest((int) $text('count'), $balances),
            SampleRule::Random => ConfirmationSample::random((int) $text('count'), $text('seed'), $balances),
            SampleRule::Over => ConfirmationSample::over(TypedAmount::read($text('over'), $base), $balances),
        };
        $id = $confirm->draw(FormKey::of($request, 'confirmation'), $at->account, $at->asOf, $draw, $text('reply_to'));

        return redirect()->route('confirmations', ['sample' => $id])->with('done', ['text' => 'Drawn. Nothing is sent yet.']);
    }

    public function send(Request $request, int $sample, Confirm $confirm, Actor $actor): RedirectResponse
    {
        $confirm->found($sample);
        $content = ['sample' => (string) $sample, 'page' => route('confirmations', ['sample' => $sample], false)];

        return redirect()->route('work', CarryOut::begin(
            WorkKind::Confirmations, FormKey::of($request, 'confirmations'), $content, $actor,
        ));
    }

    public function print(int $sample, Confirm $confirm, Confirmations $confirmations): Response
    {
        $of = $confirm->found($sample);
        $letters = $confirmations->letters($sample);
        if (count($letters) > self::PRINTED) {
            throw new Refusal(count($letters).' letters are too many for one file; send them, or draw fewer.');
        }

        return Download::send($confirm->pdf($of, $letters), "confirmations-{$sample}-{$of->as_of}.pdf", 'application/pdf');
    }

    public function answer(Request $request, int $letter, Settings $settings, Confirm $confirm): RedirectResponse
    {
        $confirm->answer(
            FormKey::of($request, 'answer'),
            $letter,
            $request->string('answer')->toString() === 'agrees' ? null : self::stated($request, $settings->base()),
            $request->string('words')->toString(),
        );

        return redirect()
            ->route('confirmations', ['sample' => $request->integer('sample')])
            ->with('done', ['text' => 'Kept.']);
    }

    /** @throws Refusal when it is no amount */
    private static function stated(Request $request, Currency $base): Money
    {
        $amount = TypedAmount::read($request->string('states')->toString(), $base);

        return $request->string('side')->toString() === 'credit' ? $amount->negated() : $amount;
    }
}
