<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateUse;
use Ajuste\Core\DirectDebit\Scheme;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use App\Actions\DirectDebits\KeepMandates;
use App\Actions\DirectDebits\PrepareCollection;
use App\Actions\DirectDebits\SendCollection;
use App\Http\CollectionForm;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\CustomerSearch;
use App\Queries\DebitCollections;
use App\Queries\DueDebits;
use App\Queries\Mandates;
use App\Queries\Settings;
use App\Values\Notice;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Direct debits: mandates, what is due under them, and the collections that the bank is asked for. */
final class DirectDebitsController
{
    public function index(Request $request, DueDebits $due, DebitCollections $collections, Settings $settings, ViewPoint $at): View
    {
        $form = CollectionForm::of($request, $settings->locked()->firstOpenFrom(Day::plus($at->asOf, 1)));

        return view('direct-debits.index', [
            'form' => $form,
            'due' => $form->fitted($due->of($at->account->id, $form->day), DueDebits::prepared()),
            'collections' => $collections->all(),
            'days' => $settings->now()->whole(Setting::DebitNoticeDays),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    /** What is chosen comes to, as one ticks. */
    public function rehearse(Request $request, DueDebits $due, Settings $settings, ViewPoint $at): View
    {
        $form = CollectionForm::of($request, $at->asOf);

        return view('direct-debits.chosen', [
            'due' => $form->fitted($due->of($at->account->id, $form->day), DueDebits::prepared()),
            'form' => $form,
            'days' => $settings->now()->whole(Setting::DebitNoticeDays),
        ]);
    }

    public function prepare(Request $request, PrepareCollection $prepare, ViewPoint $at): RedirectResponse
    {
        $form = CollectionForm::of($request, $at->asOf);
        $id = $prepare->prepare(FormKey::of($request, 'collection'), $at->account, $form->day, $form->items ?? []);

        return redirect()
            ->route('collection', $id)
            ->with('done', ['text' => 'Prepared. Nothing is posted before it is sent to the bank.']);
    }

    public function show(int $collection, DebitCollections $collections, Settings $settings): View
    {
        $of = $collections->find($collection);

        return view('direct-debits.collection', [
            'of' => $of,
            'batches' => $collections->batches($of),
            'days' => $settings->now()->whole(Setting::DebitNoticeDays),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function tell(Request $request, int $collection, PrepareCollection $prepare): RedirectResponse
    {
        $without = $prepare->tell(FormKey::of($request, 'tell'), $collection, date('Y-m-d'));
        $rest = $without === [] ? '' : ' No e-mail address is known of '.implode(', ', $without).': tell them by letter.';

        return redirect()
            ->route('collection', $collection)
            ->with('done', ['text' => "The payers are told.{$rest}", 'url' => route('outbox'), 'link' => 'Outbox']);
    }

    public function send(Request $request, int $collection, SendCollection $send, ViewPoint $at): RedirectResponse
    {
        $notice = $request->boolean('agreed') ? Notice::AgreedShorter : Notice::Policy;
        $send->send(FormKey::of($request, 'collect'), $collection, $at->account, date('Y-m-d'), $notice);

        return redirect()
            ->route('collection', $collection)
            ->with('done', [
                'text' => 'Sent and posted. The bank has answered.',
                'url' => route('collection.file', [$collection, 'answer']),
                'link' => 'Its answer',
            ]);
    }

    public function discard(Request $request, int $collection, PrepareCollection $prepare): RedirectResponse
    {
        $prepare->discard(FormKey::of($request, 'discard'), $collection);

        return redirect()
            ->route('direct-debits')
            ->with('done', ['text' => 'Discarded. Nothing was sent.']);
    }

    public function file(int $collection, string $part, DebitCollections $collections): Response
    {
        $xml = $collections->file($collection, $part);

        return $xml === '' ? abort(404) : Download::send($xml, "direct-debits-{$collection}-{$part}.xml", 'application/xml');
    }

    public function mandates(Mandates $mandates, ViewPoint $at): View
    {
        return view('direct-debits.mandates', [
            'mandates' => $mandates->all(),
            'day' => $at->asOf,
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function keep(Request $request, KeepMandates $keep, CustomerSearch $search): RedirectResponse
    {
        $customer = $search->one($request->string('who')->toString());
        $holder = trim($request->string('holder')->toString());
        $mandate = new Mandate(
            trim($request->string('reference')->toString()),
            $holder !== '' ? $holder : $customer->name,
            $request->string('iban')->toString(),
            Day::of($request->string('signed')->toString()),
            Scheme::tryFrom($request->string('scheme')->toString()) ?? throw new Refusal('Choose the scheme: CORE or B2B.'),
            MandateUse::tryFrom($request->string('use')->toString()) ??
                throw new Refusal('Choose whether it is for one debit or for more.'),
        );
        $keep->add(FormKey::of($request, 'mandate'), $customer->id, $mandate, date('Y-m-d'));

        return redirect()
            ->route('mandates')
            ->with('done', ['text' => "Kept. Debits of {$customer->name} can be collected."]);
    }

    public function end(Request $request, int $mandate, KeepMandates $keep): RedirectResponse
    {
        $date = Day::of($request->string('date')->toString());
        $keep->end(FormKey::of($request, 'end-mandate'), $mandate, $date, $request->string('reason')->toString());

        return redirect()
            ->route('mandates')
            ->with('done', ['text' => 'Ended. Nothing is collected under it from that day on.']);
    }
}
