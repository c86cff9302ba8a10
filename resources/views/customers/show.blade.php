@php
    use Ajuste\Core\Money\Money; use Ajuste\Core\Subledger\Kind; use Ajuste\Core\Subledger\Side; use App\Http\Say;
    $at = app(App\Http\ViewPoint::class);
@endphp
<x-layout title="{{ $customer->name }}" class="halves">
    <div class="pane" x-data="grid">
        <h1>{{ $customer->name }}</h1>
        <p class="lead">{{ $customer->customer }}@if ($customer->trading_name !== '' && $customer->trading_name !== $customer->name), trading as {{ $customer->trading_name }}@endif. Balance as of {{ Say::day($at->asOf) }} <b class="text-ink">{{ Say::balance($balance) }}</b>. @if ($open !== [])<a href="{{ route('unapplied', ['customer' => $customer->id]) }}">Match</a>@endif @if (Auth::user()->role->mayWrite())<a href="{{ route('credit-note', $customer->id) }}">Credit note</a>@endif</p>
        <x-svg.balance :picture="$picture"/>
        <x-filter/>
        <table class="grid-table mt-2" data-list data-decimals="2">
            <thead><tr><th scope="col"><button type="button">Document</button></th><th scope="col"><button type="button">Dated</button></th><th scope="col"><button type="button">Due</button></th><th scope="col" class="n"><button type="button">Debit</button></th><th scope="col" class="n"><button type="button">Credit</button></th></tr></thead>
            <tbody>
            @forelse ($items as $item)
                @php $text = Money::ofMinor($item->amount, $item->currency)->grouped().($item->currency === $base->code ? '' : ' '.$item->currency); @endphp
                <tr data-minor="{{ ($item->side === 'debit' ? 1 : -1) * $item->base }}"><td><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</a></td><td data-sort="{{ $item->date }}">{{ Say::day($item->date) }}</td><td data-sort="{{ $item->due_date }}">{{ Say::day($item->due_date) }}</td><td class="n">{{ $item->side === 'debit' ? $text : '' }}</td><td class="n">{{ $item->side === 'credit' ? $text : '' }}</td></tr>
            @empty
                <tr><td colspan="5">No item as of this day.</td></tr>
            @endforelse
            </tbody>
        </table>
        <x-table-foot name="customer"/>
        {{ $items->links('pager') }}
    </div>
    <aside class="pane worktop" aria-label="Open items">
        @foreach ($aged->rows as $row)<p class="flex items-center gap-3"><x-svg.age-strip :row="$row"/><span class="soft">{{ $row->currency }}: @foreach ($aged->buckets->labels as $column => $label)@if ($row->amounts[$column] !== 0){{ $label === 'not_due' ? 'not due' : str_replace(['_', '-'], [' ', '–'], $label).' days' }} {{ Money::ofMinor($row->amounts[$column], $base)->grouped() }}{{ $loop->last ? '' : ' · ' }}@endif @endforeach @if ($row->unapplied !== 0) loose {{ Money::ofMinor($row->unapplied, $base)->grouped() }}@endif</span></p>@endforeach
        <h2>Open as of {{ Say::day($at->asOf) }}</h2>
        <table class="grid-table">
            <thead><tr><th scope="col">Document</th><th scope="col">Due</th><th scope="col" class="n">Open</th></tr></thead>
            <tbody>@forelse ($open as $item)<tr><td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a></td><td>{{ Say::day($item->dueDate) }}</td><td class="n">{{ $item->open->grouped() }} {{ $item->side === Side::Debit ? 'Dr' : 'Cr' }}@if ($item->open->currency->code !== $base->code) <span class="slate">{{ $item->open->currency->code }}</span>@endif</td></tr>@foreach ($contested[$item->id] ?? [] as $amount)<tr><td colspan="2" class="pl-6! soft">of it contested: {{ $amount->reason }}, {{ $amount->owner }}</td><td class="n"><span class="tag ochre">{{ $amount->amount->grouped() }}</span></td></tr>@endforeach @empty<tr><td colspan="3">Nothing is open.</td></tr>@endforelse</tbody>
        </table>
        @if ($deposits !== [])
            <h2>Deposits held</h2>
            <table class="grid-table"><tbody>@foreach ($deposits as $item)<tr><td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a></td><td>{{ Say::day($item->date) }}</td><td class="n">{{ $item->open->grouped() }} {{ $item->side === Side::Debit ? 'Dr' : 'Cr' }} @if ($item->open->currency->code !== $base->code) <span class="slate">{{ $item->open->currency->code }}</span>@endif</td></tr>@endforeach</tbody></table>
            <p class="soft mt-1">A liability until the goods are invoiced. <a href="{{ route('deposits') }}">Match to an invoice</a></p>
        @endif
        <h2>About</h2>
        <dl class="facts">
            @foreach (['currency' => 'Currency', 'terms' => 'Terms', 'customer_group' => 'Group', 'email' => 'E-mail', 'tax_id' => 'Tax number', 'iban' => 'IBAN', 'country' => 'Country'] as $field => $name)@if ($customer->$field !== '')<dt>{{ $name }}</dt><dd>{{ $customer->$field }}@if ($field === 'iban' && $ibanChanged !== '') <span class="slate">since {{ Say::day(substr($ibanChanged, 0, 10)) }}</span>@endif</dd>@endif @endforeach
            @if ($late !== null)<dt>Usually pays</dt><dd>{{ $late === 0 ? 'on the due date' : Say::count(abs($late), 'day').($late > 0 ? ' late' : ' early') }}, weighted by amount</dd>@endif
            @if ($customer->supplier_id !== null)<dt>Also a supplier</dt><dd>{{ $supplier }}</dd>@endif
            @if ($customer->credit_limit !== null)<dt>Credit limit</dt><dd>{{ Money::ofMinor($customer->credit_limit, $customer->currency)->grouped() }}</dd>@endif
        </dl>
        @if (Auth::user()->role->mayWrite())
            <details class="mt-3" data-hotkey="b"><summary class="cursor-pointer soft">Pay back before there is a credit note <kbd>B</kbd></summary>
                <form method="post" action="{{ route('refunds.ahead', $customer->id) }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><label class="grid">Amount <input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" required class="w-28 text-right"></label><label class="grid">In <input type="text" name="currency" value="{{ old('currency', $customer->currency) }}" class="w-16" maxlength="3"></label><label class="grid">By <select name="way">@foreach (App\Actions\Receipts\Way::cases() as $way)<option @selected($way->value === old('way', 'transfer'))>{{ $way->value }}</option>@endforeach</select></label><label class="grid">Dated <x-day name="date" :value="old('date', $today)"/></label><label class="grid">Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-44"></label><button class="button">Refund</button></form></details>
        @endif
        @if ($messages->isNotEmpty())
            <h2>Sent</h2>
            <table class="grid-table"><tbody>@foreach ($messages as $message)<tr><td><a href="{{ route('outbox.message', $message->id) }}" hx-boost="false">{{ $message->subject }}</a></td><td class="nowrap slate">{{ Say::moment($message->recorded_at) }}</td></tr>@endforeach</tbody></table>
        @endif
        <h2>Notes</h2>
        <x-notes :subject="'customer '.$customer->id"/>
    </aside>
</x-layout>
