@php
    use App\Http\Say;
    $agreement = $offset->agreement ?? ($pair->agreements[0] ?? null);
    $writes = Auth::user()->role->mayWrite();
@endphp
<div class="flex items-baseline gap-4">
    <h2 class="title">{{ $pair->party->customer->number }} = {{ $pair->party->supplier->number }} {{ $pair->party->supplier->name }}</h2>
    <a class="ml-auto" href="{{ route('contra') }}" data-hotkey="b">Back to the run <kbd>B</kbd></a>
</div>
<p class="lead">
    @if ($agreement)
        {{ $agreement->reference }}, since {{ Say::day($agreement->from) }}, {{ $agreement->scope->value === 'due' ? 'what is due' : 'all that is open' }};
    @endif
    <a href="{{ route('customer', $pair->party->customer->id) }}">customer</a>, <a href="{{ route('supplier', $pair->party->supplier->id) }}">supplier</a>,
    {{ $pair->party->currency->code }}
</p>
<form method="post" action="{{ route('contra.pair') }}" class="flex flex-col grow">
    @csrf
    <input type="hidden" name="key" value="{{ $key }}-pair">
    <input type="hidden" name="pair" value="{{ $name }}">
    <div @if (!$writes) inert @else hx-post="{{ route('contra.pair.rehearse') }}" hx-trigger="change, input changed delay:350ms"
            hx-target="#rehearsal" hx-swap="outerHTML" hx-include="closest form" hx-disinherit="hx-target hx-swap hx-include hx-trigger" @endif>
        @include('runs.pair-side', ['title' => 'What the customer owes, and own credits', 'rows' => $pair->items, 'tick' => 'tick', 'amount' => 'amount',
            'most' => $choices->items])
        @include('runs.pair-side', ['title' => 'What is owed to the supplier', 'rows' => $pair->bills, 'tick' => 'bill_tick', 'amount' => 'bill_amount',
            'most' => $choices->bills])
    </div>
    @include('runs.pair-rehearsal')
    @if ($writes)
        <div class="foot">
            <label>Because <input type="text" name="reason" class="w-60" value="{{ old('reason') }}"></label>
            <button class="button main ml-auto" data-main>Keep these amounts <kbd>Ctrl ↵</kbd></button>
        </div>
    @endif
</form>
