@php
    use Ajuste\Core\Money\Money; use Ajuste\Core\Subledger\Kind; use Ajuste\Core\Subledger\Side; use App\Http\Say;
    $at = app(App\Http\ViewPoint::class);
@endphp
<x-layout title="{{ $customer->name }}" class="halves">
    <div class="pane" x-data="grid">
        <h1>{{ $customer->name }}</h1>
        <p class="lead">{{ $customer->customer }}@if ($customer->trading_name !== '' && $customer->trading_name !== $customer->name), trading as {{ $customer->trading_name }}@endif. Balance as of {{ Say::day($at->asOf) }} <b class="text-ink">{{ Say::balance(Money::ofMinor($balance, $base)) }}</b>. @if ($open !== [])<a href="{{ route('unapplied', ['customer' => $customer->id]) }}">Match</a>@endif</p>
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
        <h2>Open as of {{ Say::day($at->asOf) }}</h2>
        <table class="grid-table">
            <thead><tr><th scope="col">Document</th><th scope="col">Due</th><th scope="col" class="n">Open</th></tr></thead>
            <tbody>@forelse ($open as $item)<tr><td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a></td><td>{{ Say::day($item->dueDate) }}</td><td class="n">{{ $item->open->grouped() }} {{ $item->side === Side::Debit ? 'Dr' : 'Cr' }}@if ($item->open->currency->code !== $base->code) <span class="slate">{{ $item->open->currency->code }}</span>@endif</td></tr>@empty<tr><td colspan="3">Nothing is open.</td></tr>@endforelse</tbody>
        </table>
        <h2>About</h2>
        <dl class="facts">
            @foreach (['currency' => 'Currency', 'terms' => 'Terms', 'customer_group' => 'Group', 'email' => 'E-mail', 'tax_id' => 'Tax number', 'iban' => 'IBAN', 'country' => 'Country'] as $field => $name)@if ($customer->$field !== '')<dt>{{ $name }}</dt><dd>{{ $customer->$field }}</dd>@endif @endforeach
            @if ($customer->credit_limit !== null)<dt>Credit limit</dt><dd>{{ Money::ofMinor($customer->credit_limit, $customer->currency)->grouped() }}</dd>@endif
        </dl>
    </aside>
</x-layout>
