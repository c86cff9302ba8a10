@php
    use Ajuste\Core\Money\Money; use Ajuste\Core\Proposal\PayerRecognition; use Ajuste\Core\Settlement\RestPlace; use Ajuste\Core\Subledger\Side; use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Receipts" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4 flex-wrap"><h1>Receipts</h1>
            <span class="ml-auto flex gap-4"><a href="{{ route('batches') }}">Batches and typed receipts</a><a href="{{ route('deposits') }}">Deposits</a><a href="{{ route('receipts.placed') }}">Placed</a><a href="{{ route('settings') }}">Settings</a></span></div>
        <p class="lead">{{ Say::count($all, 'line') }} of money to place, {{ $sum->grouped() }} {{ $base->code }}; {{ number_format(array_sum($placed)) }} placed{{ ($placed['not_receivables'] ?? 0) + $out > 0 ? ', '.number_format(($placed['not_receivables'] ?? 0) + $out).' not receivables' : '' }}. The most certain first.</p>
        @if (count($kinds) > 1)
            <div class="flex flex-wrap gap-2 mb-3" role="group" aria-label="Kinds of lines">
                <a class="tag" href="{{ route('receipts') }}" @if ($kind === '') aria-current="true" @endif>all</a>
                @foreach ($kinds as $name => [$count, $of, $certain])<a @class(['tag', 'green' => $certain]) href="{{ route('receipts', ['kind' => $name]) }}" @if ($kind === $name) aria-current="true" @endif>{{ $name }} {{ $count }}</a>@endforeach
            </div>
        @endif
        <div class="flex items-center gap-4 flex-wrap">
            <x-filter/>
            @php $ready = $kind !== '' ? $kind : (count($kinds) > 0 && reset($kinds)[2] ? array_key_first($kinds) : ''); @endphp
            @if ($writes && $ready !== '' && $kinds[$ready][2])
                @if ($kind === '')
                    <a class="button ml-auto" href="{{ route('receipts', ['kind' => $ready]) }}" data-hotkey="g">See {{ $kinds[$ready][0] }} {{ $ready }}, {{ $kinds[$ready][1]->grouped() }} <kbd>G</kbd></a>
                @else
                    <form method="post" action="{{ route('receipts.accept') }}" class="ml-auto">@csrf<input type="hidden" name="kind" value="{{ $kind }}">@foreach ($guesses as $guess)<input type="hidden" name="ids[]" value="{{ $guess->line->id }}">@endforeach
                        <button class="button" data-hotkey="g">Accept {{ $kinds[$ready][0] }} {{ $ready }}, {{ $kinds[$ready][1]->grouped() }} <kbd>G</kbd></button></form>
                @endif
            @endif
        </div>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead><tr><th scope="col"><button type="button">Value date</button></th><th scope="col"><button type="button">From the bank</button></th><th scope="col" class="n"><button type="button">Amount</button></th><th scope="col"><button type="button">Proposal</button></th></tr></thead>
            <tbody>
            @forelse (array_slice($guesses, 0, 400) as $guess)
                <tr data-minor="{{ $guess->line->amount->minor }}" @class(['current' => $chosen?->line->id === $guess->line->id])>
                    <td class="nowrap" data-sort="{{ $guess->line->valueDate }}">{{ Say::shortDay($guess->line->valueDate) }}</td>
                    <td class="clip" title="{{ $guess->line->text() }}"><a href="{{ route('receipts', array_filter(['line' => $guess->line->id, 'kind' => $kind])) }}" hx-get="{{ route('receipts', array_filter(['line' => $guess->line->id, 'kind' => $kind])) }}" hx-target="#worktop" hx-swap="outerHTML" hx-push-url="true">{{ $guess->line->title() }}</a></td>
                    <td class="n font-semibold" data-sort="{{ $guess->line->amount->minor }}">{{ $guess->line->amount->grouped() }}@if ($guess->line->amount->currency->code !== $base->code) <span class="slate">{{ $guess->line->amount->currency->code }}</span>@endif</td>
                    <td class="nowrap"><span @class(['tag', 'green' => $guess->isCertain(), 'ochre' => ! $guess->sure && ! $guess->isCertain()])>{{ $guess->kind() }}</span></td>
                </tr>
            @empty
                <tr><td colspan="4">Every line of money has its place. Hand in the next statement on Intake, or have the bank send it.</td></tr>
            @endforelse
            </tbody>
        </table>
        <x-table-foot name="receipts"/>
        @if ($writes)<form method="post" action="{{ route('bank.next') }}" class="mt-2">@csrf<button class="button py-0.5!">Fetch the bank's next statement</button> <span class="slate">from the bank that ships with Ajuste</span></form>@endif
    </div>
    @fragment('worktop')
    <aside class="pane worktop" id="worktop" aria-label="The chosen line of money">
        @if ($chosen)
            @php $line = $chosen->line; $guess = collect($chosen->payers)->firstWhere('customerId', $payer?->id); $here = array_filter(['line' => $line->id, 'kind' => $kind]); $anyway = request()->boolean('anyway') || $asked !== '' || request()->has('customer') || request()->isMethod('POST'); @endphp
            <div class="flex items-baseline gap-4"><h2 class="title">{{ $line->amount->minor < 0 ? 'Which receipt came back?' : ($payer->name ?? 'Whose money is it?') }}</h2><b class="ml-auto text-lg whitespace-nowrap">{{ $line->amount->grouped() }} {{ $line->amount->currency->code }}</b></div>
            <p class="lead mb-2!">{{ $line->title() }}@if ($line->partyAccount !== ''), account {{ $line->partyAccount }}@endif. Booked {{ Say::day($line->bookingDate) }}{{ $line->charges->isZero() ? '' : ', the bank kept back '.$line->charges->grouped() }}{{ $line->partOf ? ', part of a divided line' : '' }}. @if ($line->batchId)<a href="{{ route('batches', ['batch' => $line->batchId]) }}">Back to the batch</a>@endif
                @if ($guess)<span class="tag {{ $guess->score >= PayerRecognition::SURE ? 'green' : 'ochre' }}">{{ $guess->why }}</span>@elseif ($payer)<span class="tag">chosen by you</span>@endif @if ($draft)<span class="tag">draft kept</span>@endif</p>
            @if ($confirms && $writes)
                <div class="note good">{{ ucfirst($chosen->confirmation->why) }}: entry <a href="{{ route('posting', $confirms->id) }}">{{ $confirms->entry }}</a> of {{ Say::day($confirms->date) }} on {{ $confirms->number }} {{ $confirms->account_name }}, {{ $confirms->description }}{{ $confirms->document !== '' ? ' '.$confirms->document : '' }}. It is posted already; confirming it posts nothing twice.
                    <form method="post" action="{{ route('receipts.confirm', $line->id) }}" class="mt-2">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="posting" value="{{ $confirms->id }}"><input type="hidden" name="kind" value="{{ $kind }}"><button class="button main" data-main>Confirm and next <kbd>Ctrl ↵</kbd></button> @unless ($anyway)<a class="ml-3" href="{{ route('receipts', [...$here, 'anyway' => 1]) }}">It is another payment: place it</a>@endunless</form></div>
            @endif
            @if ($confirms && ! $anyway)
            @elseif ($line->amount->minor < 0)
                @include('receipts.came-back')
            @else
                <div class="flex flex-wrap gap-2 items-center mb-2">
                    @foreach ($chosen->payers as $other)@if ($other->customerId !== $payer?->id && isset($names[$other->customerId]))<a class="tag" href="{{ route('receipts', [...$here, 'customer' => $other->customerId]) }}">{{ $names[$other->customerId]->name }}, {{ $other->why }}</a>@endif @endforeach
                    @foreach ($hits as $hit)@if ($hit->id !== $payer?->id)<a class="tag" href="{{ route('receipts', [...$here, 'customer' => $hit->id]) }}">{{ $hit->customer }} {{ $hit->name }}, by {{ $hit->by }}</a>@endif @endforeach
                    <form action="{{ route('receipts') }}" class="flex gap-2 items-center"><input type="hidden" name="line" value="{{ $line->id }}"><label for="payer" class="visually-hidden">Another payer</label><input id="payer" type="search" name="payer" data-hotkey="b" value="{{ $asked }}" placeholder="payer: number, name, account or document" class="w-72"><kbd aria-hidden="true">B</kbd><button class="visually-hidden">Find the payer</button></form>
                </div>
                @if ($asked !== '' && $hits === [])<div class="note bad" role="alert">No customer has the number, name, account or document “{{ $asked }}”. Type a part of the name, or the number as it stands in customers.csv.</div>@endif
                @if ($payer && $writes && $filled)@include('receipts.form')@endif
                @if ($writes && ! $line->batchId)@include('receipts.elsewhere')@endif
            @endif
        @else
            <h2 class="title">Nothing to place</h2>
        @endif
    </aside>
    @endfragment
</x-layout>
