@use('Ajuste\Core\Money\Money')
@use('App\Http\Say')
<h2>About</h2>
<dl class="facts">
    @foreach ([
        'currency' => 'Currency',
        'terms' => 'Terms',
        'customer_group' => 'Group',
        'email' => 'E-mail',
        'tax_id' => 'Tax number',
        'iban' => 'IBAN',
        'country' => 'Country',
    ] as $field => $name)
        @if ($customer->$field !== '')
            <dt>{{ $name }}</dt>
            <dd>{{ $customer->$field }}@if ($field === 'iban' && $ibanChanged !== '')
                    <span class="slate">since {{ Say::day(substr($ibanChanged, 0, 10)) }}</span>
                @endif
            </dd>
        @endif
    @endforeach
    @if ($late !== null)
        <dt>Usually pays</dt>
        <dd>{{ $late === 0 ? 'on the due date' : Say::count(abs($late), 'day') . ($late > 0 ? ' late' : ' early') }}, weighted by amount</dd>
    @endif
    @if ($customer->supplier_id !== null)
        <dt>Also a supplier</dt>
        <dd>{{ $supplier }}</dd>
    @endif
    @if ($customer->credit_limit !== null)
        <dt>Credit limit</dt>
        <dd>{{ Money::ofMinor($customer->credit_limit, $customer->currency)->grouped() }}</dd>
    @endif
</dl>
@if (Auth::user()->role->mayWrite())
    <details class="mt-3" data-hotkey="b">
        <summary class="cursor-pointer soft">Pay back before there is a credit note <kbd>B</kbd></summary>
        <form method="post" action="{{ route('refunds.ahead', $customer->id) }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <label class="grid">Amount <input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" required
                    class="w-28 text-right"></label>
            <label class="grid">In <input type="text" name="currency" value="{{ old('currency', $customer->currency) }}" class="w-16"
                    maxlength="3"></label>
            <label class="grid">By
                <select name="way">
                    @foreach (Ajuste\Core\Settlement\PaymentWay::cases() as $way)
                        <option @selected($way->value === old('way', 'transfer'))>{{ $way->value }}</option>
                    @endforeach
                </select>
            </label>
            <label class="grid">Dated <x-day name="date" :value="old('date', $today)" /></label>
            <label class="grid">Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-44"></label>
            <button class="button">Refund</button>
        </form>
    </details>
@endif
