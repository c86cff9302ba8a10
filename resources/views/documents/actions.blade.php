@use('Ajuste\Core\Money\Money')
@if ($writes && $isInvoice && !$reversal)
    <p class="mt-3"><a href="{{ route('credit-note', ['customer' => $customer->id, 'ids' => [$item->root_id]]) }}" data-hotkey="c">Credit some of it
            <kbd>C</kbd></a></p>
    @if ($position->matched > 0 && $item->amount > $position->matched)
        <details class="mt-1" data-hotkey="r">
            <summary class="cursor-pointer soft">Clear the {{ $amount($item->amount - $position->matched) }} left with a credit note <kbd>R</kbd>
            </summary>
            <form method="post" action="{{ route('credit-note.clear', $item->root_id) }}" class="flex flex-wrap gap-3 items-center mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label>Dated <x-day name="date" :value="$today" /></label>
                <label>Reason <input type="text" name="reason" required class="w-44"></label>
                <button class="button py-0.5!">Clear {{ $amount($item->amount - $position->matched) }}</button>
            </form>
        </details>
    @endif
@endif
@if ($creditNote)
    <p class="mt-3 flex flex-wrap gap-3 items-center">Because: {{ $creditNote->reason }}. <a class="button py-0.5!"
            href="{{ route('credit-note.paper', $item->root_id) }}" hx-boost="false">Document, PDF</a></p>
@endif
@if ($writes && $item->side === 'credit' && $item->amount > $position->matched)
    <details class="mt-3" data-hotkey="b">
        <summary class="cursor-pointer soft">Pay it back <kbd>B</kbd></summary>
        <form method="post" action="{{ route('refunds.post', $item->root_id) }}" class="flex flex-wrap gap-3 items-center mt-2">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <label>Amount <input type="text" inputmode="decimal" name="amount"
                    value="{{ Money::ofMinor($item->amount - $position->matched, $item->currency)->decimal() }}" class="w-28 text-right"></label>
            <label>By <select name="way">
                    @foreach (Ajuste\Core\Settlement\PaymentWay::cases() as $way)
                        <option @selected($way->value === 'transfer')>{{ $way->value }}</option>
                    @endforeach
                </select>
            </label>
            <label>Dated <x-day name="date" :value="$today" /></label>
            <label>Reason <input type="text" name="reason" required class="w-44"></label>
            <button class="button py-0.5!">Refund</button>
        </form>
    </details>
@endif
@if ($writes && !$reversal)
    <p class="mt-3"><a href="{{ route('document.reverse', $item->root_id) }}"
            data-hotkey="x">{{ $isReceipt ? 'It came back, is another customer’s, or was a mistake' : 'Take it back' }} <kbd>X</kbd></a></p>
@endif
@if ($writes && $item->kind === 'contra' && $item->voucher_id !== null && !$reversal)
    <form method="post" action="{{ route('contra.back', $item->root_id) }}" class="flex flex-wrap gap-3 items-end mt-3">@csrf
        <input type="hidden" name="key" value="{{ $key }}-pair">
        <label class="grid">Reason <input type="text" name="reason" required class="w-60" data-hotkey="b"></label>
        <button class="button py-0.5!">Take this pair out of its run <kbd>B</kbd></button>
    </form>
@endif
