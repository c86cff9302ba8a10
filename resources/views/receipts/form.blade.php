@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Proposal\FillOrder;
    use Ajuste\Core\Settlement\RestPlace;
    use Ajuste\Core\Subledger\Side;
    use App\Http\Say;
    $orders = [
        ['o', FillOrder::OldestDue, 'oldest due'],
        ['e', FillOrder::OldestDocument, 'oldest document'],
        ['m', FillOrder::Smallest, 'smallest'],
        ['l', FillOrder::Largest, 'largest'],
        ['r', FillOrder::ProRata, 'pro rata'],
    ];
    $places = [
        [RestPlace::Unapplied, 'stays unapplied on the customer'],
        [RestPlace::Deposit, 'is a deposit, not invoiced yet'],
        [RestPlace::StaysOpen, 'paid in part, the rest stays open'],
    ];
    $short = $proposal->difference < 0 ? Money::ofMinor(-$proposal->difference, $line->amount->currency) : null;
@endphp
@if ($named !== '')
    <div class="note">You named {{ $named }}{{ $filled->typed === [] ? ', which is not open' : '; it is ticked' }}.</div>
@elseif ($proposal->settles !== [] && $pasted === '')
    <div class="note">{{ ucfirst($proposal->how->words()) }}{{ $proposal->only ? '' : ', not the only way' }}:
        {{ implode(', ', array_map(fn($of) => $of->item->document, array_slice($proposal->settles, 0, 6))) }}{{ count($proposal->settles) > 6 ? ' …' : '' }}.
        @if ($short)
            <b>{{ $short->grouped() }}</b> was not paid.
        @endif
        @if ($proposal->unapplied > 0)
            <b>{{ Money::ofMinor($proposal->unapplied, $line->amount->currency)->grouped() }}</b> more than that was paid.
        @endif
        @if ($proposal->searched->value === 'too_many')
            Too many items are open to look for a sum among them.
        @elseif ($proposal->searched->value === 'limit')
            The search for a sum stopped at its limit.
        @endif
    </div>
@elseif ($pasted !== '')
    <div class="note">Read from what was pasted:
        {{ Say::count(count($filled->typed), 'document') }}{{ $filled->deductions === [] ? '' : ', ' . Say::count(count($filled->deductions), 'deduction') . ' to confirm' }}.
        @php $expected = $line->amount->plus($line->charges); @endphp
        It comes to {{ $advised->grouped() }}{{ $advised->equals($expected)
            ? ', as was paid'
            : '; ' . $expected->grouped() . ' was paid, so that ' . $expected->minus($advised)->grouped() . ' is left to explain' }}.
    </div>
@endif
@includeWhen(Auth::user()->role->mayWrite(), 'receipts.written-off')
<div id="ribbons"></div>
<div class="flex flex-wrap gap-x-3 gap-y-1 items-center mb-1 slate" role="group" aria-label="Other ways to fill">
    @if ($others !== [])
        <a href="{{ route('receipts', [...$here, 'customer' => $payer->id, 'way' => $way + 1]) }}" data-hotkey="q">Another way,
            {{ ($way % (count($others) + 1)) + 1 }} of {{ count($others) + 1 }} <kbd>Q</kbd></a>
    @endif
    @foreach ($orders as [$hotkey, $by, $words])
        <a href="{{ route('receipts', [...$here, 'customer' => $payer->id, 'order' => $by->value]) }}" data-hotkey="{{ $hotkey }}"
            @if ($order === $by) aria-current="true" @endif>{{ $words }} <kbd>{{ strtoupper($hotkey) }}</kbd></a>
    @endforeach
</div>
<form method="post" action="{{ route('receipts.post', $line->id) }}" class="flex flex-col grow" id="place" x-data="grid">
    @csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <input type="hidden" name="customer" value="{{ $payer->id }}">
    <input type="hidden" name="line_seen" value="{{ $line->digest() }}">
    <input type="hidden" name="money_line" value="{{ $line->id }}">
    <input type="hidden" name="kind" value="{{ $kind }}">
    <div hx-post="{{ route('receipts.rehearse', $line->id) }}" hx-trigger="load, change, input changed delay:350ms" hx-target="#rehearsal" hx-swap="outerHTML"
        hx-include="closest form" hx-disinherit="hx-target hx-swap hx-include hx-trigger">
        @include('receipts.items')
        <div class="slate mt-1">
            <button type="button" class="cursor-pointer underline underline-offset-2" data-tick-all>Tick all</button> · <button type="button"
                class="cursor-pointer underline underline-offset-2" data-tick-none>Tick none</button>
            @if ($itemLines === null)
                ·
                <a href="{{ route('receipts', [...$here, 'customer' => $payer->id, 'with_lines' => 1]) }}">Single lines</a>
            @endif
        </div>
        <x-held-back :entries="$filled->deductions" :reasons="$reasons" :items="$items" :open="$short !== null" />
        <div class="flex flex-wrap gap-x-5 gap-y-1 items-center mt-2">
            <label>What is left over <select name="rest">
                    @foreach ($places as [$place, $words])
                        <option value="{{ $place->value }}" @selected($filled->rest === $place)>{{ $words }}</option>
                    @endforeach
                </select>
            </label>
            <label>Bank charges deducted <input type="text" inputmode="decimal" name="kept_back" value="{{ $filled->charges }}"
                    class="w-20 text-right"></label>
            <details class="w-full" @if ($filled->depositTax !== '' || $filled->currency !== '') open @endif>
                <summary class="cursor-pointer slate">Tax on a deposit, another currency</summary>
                <span class="flex flex-wrap gap-5 items-center">
                    <label>Tax due on a deposit, % <input type="text" name="deposit_tax" value="{{ $filled->depositTax }}" class="w-14 text-right"></label>
                    <label>Pays invoices in <select name="currency">
                            <option value="">{{ $line->amount->currency->code }}</option>
                            @foreach ($currencies as $code)
                                @if ($code !== $line->amount->currency->code)
                                    <option @selected($filled->currency === $code)>{{ $code }}</option>
                                @endif
                            @endforeach
                        </select>
                    </label>
                    <label>worth <input type="text" inputmode="decimal" name="worth" value="{{ $filled->amount }}" class="w-28 text-right"></label>
                    @foreach ($currencies as $code)
                        @if ($code !== $line->amount->currency->code && $filled->currency !== $code)
                            <a href="{{ route('receipts', [...$here, 'customer' => $payer->id, 'currency' => $code]) }}">show items in {{ $code }}</a>
                        @endif
                    @endforeach
                </span>
            </details>
        </div>
    </div>
    @include('receipts.rehearsal')
</form>
