@php
    use Ajuste\Core\Bank\Unconfirmed;
    use App\Http\Say;
    $postings = collect($against->unconfirmed)->filter(fn (Unconfirmed $of) => $of->posting->amount->equals($line->amount))->sortBy(fn (Unconfirmed $of) => $of->posting->day);
    $said = $told[$line->id];
@endphp
<div class="flex items-baseline gap-4">
    <h2 class="title">{{ $said->payer->name ?: ($line->amount->isPositive() ? 'Money that came in' : 'Money that went out') }}</h2>
    <b class="ml-auto text-lg whitespace-nowrap">{{ $line->amount->grouped() }} {{ $line->amount->currency->code }}</b>
</div>
<p class="lead mb-2!">{{ $said->title() }}. Booked {{ Say::day($line->day) }}.</p>
@if ($place)
    <div class="note">Decided by {{ $place->who }}: {{ $place->reason ?: str_replace('_', ' ', $place->kind) }}. It stands here until the ledger has a
        posting of it. <a href="{{ route('receipts.placed') }}">Take it back</a></div>
@elseif ($writes)
    @if ($line->amount->isPositive() || $said->origin->isReversal)
        <p><a class="button main" href="{{ route('receipts', ['line' => $line->id]) }}" data-main>Place it <kbd>Ctrl ↵</kbd></a></p>
    @endif
    <form method="post" action="{{ route('bank.decide', $line->id) }}" class="flex flex-wrap gap-3 items-center mt-3">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="bank" value="{{ $chosen->account->number }}">
        <label>No matter of receivables: it is <input type="text" name="reason" required placeholder="a supplier, salaries, a fee"
                value="{{ old('reason') }}" class="w-56"></label>
        <button class="button">Decide</button>
    </form>
    @if ($postings->isNotEmpty())
        <form method="post" action="{{ route('bank.pick') }}" class="grid gap-2 mt-4">@csrf
            <input type="hidden" name="key" value="{{ $key }}-pick">
            <input type="hidden" name="bank" value="{{ $chosen->account->number }}">
            <input type="hidden" name="line" value="{{ $line->id }}">
            <label>It is posted already, as
                <select name="posting" class="w-full">
                    @foreach ($postings->take(200) as $of)
                        <option value="{{ $of->posting->id }}">{{ $of->posting->amount->grouped() }}, {{ Say::shortDay($of->posting->day) }},
                            {{ $entries[$of->posting->id]->entry }} {{ $entries[$of->posting->id]->description }}</option>
                    @endforeach
                </select>
            </label>
            <span><button class="button">Confirm that posting</button></span>
        </form>
    @endif
@endif
