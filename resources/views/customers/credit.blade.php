@php
    use Ajuste\Core\Credit\PromiseState;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
    $over = $watch?->owed?->over();
    $onlyOf ??= null;
    $titles ??= [];
@endphp
<h2>Promises and security</h2>
@if ($over)
    <p><span class="tag ochre">over limit</span> by {{ $over->grouped() }}: {{ $watch->owed->owed->grouped() }} of
        {{ $watch->owed->limit->grouped() }} {{ $over->currency->code }}</p>
@endif
@foreach ($watch->promises ?? [] as $of)
    @php $state = $of->state($watch->asOf); @endphp
    <div class="flex flex-wrap gap-2 items-baseline"><span @class([
        'tag',
        'green' => $state === PromiseState::Kept,
        'ochre' => $state === PromiseState::Broken,
    ])>{{ $state->value }}</span>
        {{ $of->amount->grouped() }} {{ $of->amount->currency->code }} by {{ Say::day($of->payBy) }}, promised {{ Say::day($of->givenOn) }} by
        {{ $of->byWhom }}; {{ $of->paid()->grouped() }} came
        @include('customers.credit-item', ['of' => $of])
        @includeWhen($writes, 'customers.end', ['list' => 'promises', 'id' => $of->id])</div>
@endforeach
@foreach ($watch->securities ?? [] as $of)
    <div class="flex flex-wrap gap-2 items-baseline"><span class="tag">{{ $of->holdsOn($watch->asOf) ? 'held' : 'expired' }}</span>
        {{ $of->what }} {{ $of->reference }}, {{ $of->amount->grouped() }}
        {{ $of->amount->currency->code }}{{ $of->validUntil === '' ? '' : ', until ' . Say::day($of->validUntil) }}
        @include('customers.credit-item', ['of' => $of])
        @includeWhen($writes, 'customers.end', ['list' => 'securities', 'id' => $of->id])</div>
@endforeach
@if ($writes)
    <details class="mt-1" data-hotkey="v">
        <summary class="cursor-pointer soft">A promise to pay <kbd>V</kbd></summary>
        <form method="post" action="{{ route('promise', $customer->id) }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf
            <input type="hidden" name="key" value="{{ $key }}-promise">
            <input type="hidden" name="item" value="{{ $onlyOf }}">
            <label class="grid">Amount <input type="text" inputmode="decimal" name="amount" required class="w-28 text-right"
                    value="{{ old('pay_by') === null ? '' : old('amount') }}"></label>
            <label class="grid">In <input type="text" name="currency" value="{{ $customer->currency }}" class="w-16" maxlength="3"></label>
            <label class="grid">Promised on <x-day name="given_on" :value="old('given_on')" required /></label>
            <label class="grid">To pay by <x-day name="pay_by" :value="old('pay_by')" required /></label>
            <label class="grid">By whom <input type="text" name="by_whom" value="{{ old('by_whom') }}" required class="w-40"></label>
            <button class="button">Keep the promise on file</button>
        </form>
    </details>
    <details class="mt-1" data-hotkey="u">
        <summary class="cursor-pointer soft">Security held <kbd>U</kbd></summary>
        <form method="post" action="{{ route('security', $customer->id) }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf
            <input type="hidden" name="key" value="{{ $key }}-security">
            <input type="hidden" name="item" value="{{ $onlyOf }}">
            <label class="grid">What <input type="text" name="what" value="{{ old('what') }}" required placeholder="bank guarantee" class="w-40"></label>
            <label class="grid">Reference <input type="text" name="reference" value="{{ old('reference') }}" class="w-32"></label>
            <label class="grid">Amount <input type="text" inputmode="decimal" name="amount" required class="w-28 text-right"></label>
            <label class="grid">Valid until <x-day name="valid_until" :value="old('valid_until')" /></label>
            <button class="button">Keep it on file</button>
        </form>
    </details>
@endif
