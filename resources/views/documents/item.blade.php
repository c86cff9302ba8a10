@php
    use Ajuste\Core\Money\Money; use Ajuste\Core\Subledger\Kind; use App\Http\Say;
    $amount = fn (int $minor) => Money::ofMinor($minor, $item->currency)->grouped(); $money = fn (int $minor) => Money::ofMinor($minor, $base);
    $sign = $item->side === 'debit' ? 1 : -1;
@endphp
<x-layout title="{{ $item->document }}" class="halves">
    <div class="pane">
        <h1>{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</h1>
        <p class="lead"><a href="{{ route('customer', $customer->id) }}">{{ $customer->customer }} {{ $customer->name }}</a> on {{ $account->title() }}</p>
        <div class="pairbox">
            <div><div class="soft">{{ $item->side === 'debit' ? 'Debit' : 'Credit' }}</div><div class="figure">{{ $amount($item->amount) }} {{ $item->currency }}</div>@if ($item->currency !== $base->code)<div class="slate">{{ $money($item->base)->grouped() }} {{ $base->code }}</div>@endif</div>
            <div><div class="soft">Open, all matches counted</div><div class="figure">{{ $amount($item->amount - $position->matched) }} {{ $item->currency }}</div>@if ($position->settled_on)<div class="slate">settled {{ Say::day($position->settled_on) }}</div>@elseif ($item->currency !== $base->code)<div class="slate">carries {{ $money($item->base - $position->moved)->grouped() }} {{ $base->code }}</div>@endif</div>
        </div>
        <dl class="facts mt-4">
            <dt>Dated</dt><dd>{{ Say::day($item->date) }}</dd><dt>Due</dt><dd>{{ Say::day($item->due_date) }}</dd>
            @foreach (['reference' => 'Reference', 'terms' => 'Terms', 'entry' => 'Ledger entry', 'batch' => 'Batch'] as $field => $name)@if ($item->$field !== '')<dt>{{ $name }}</dt><dd>{{ $item->$field }}</dd>@endif @endforeach
            @if ($voucher)<dt>Posted here by</dt><dd><a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a></dd>@endif
        </dl>
        <h2>Matches</h2>
        <x-matches :matches="$matches" :base="$base" :item="$item->root_id"/>
        @if ($lines->isNotEmpty())
            <h2>Lines</h2>
            <table class="grid-table"><thead><tr><th scope="col">Line</th><th scope="col">Description</th><th scope="col" class="n">Quantity</th><th scope="col" class="n">Price</th><th scope="col" class="n">Net</th><th scope="col" class="n">Tax rate</th></tr></thead>
                <tbody>@foreach ($lines as $line)<tr><td>{{ $line->line }}</td><td>{{ $line->description }}</td><td class="n">{{ $line->quantity }}</td><td class="n">{{ $line->unit_price }}</td><td class="n">{{ $amount($line->net) }}</td><td class="n">{{ $line->tax_rate }} %</td></tr>@endforeach</tbody>
                <tfoot><tr><td colspan="4">Net, and what is tax</td><td class="n">{{ $amount($net) }}</td><td class="n">{{ $amount($tax) }}</td></tr></tfoot></table>
        @endif
        @if ($versions->count() > 1)
            <h2>Versions</h2>
            <table class="grid-table"><thead><tr><th scope="col">Version</th><th scope="col">Recorded</th><th scope="col">Dated</th><th scope="col" class="n">Amount</th></tr></thead><tbody>@foreach ($versions as $version)<tr><td>{{ $version->version }}</td><td>{{ Say::moment($version->recorded_at) }}</td><td>{{ Say::day($version->date) }}</td><td class="n">{{ $amount($version->amount) }}</td></tr>@endforeach</tbody></table>
        @endif
    </div>
    <aside class="pane worktop" aria-label="In the ledger">
        <h2>In the ledger</h2>
        <table class="grid-table"><tbody>
        @forelse ($postings as $posting)<tr><td><a href="{{ route('posting', $posting->id) }}">{{ $posting->entry }}</a> <span class="slate">{{ $posting->description }}</span></td><td class="nowrap">{{ Say::day($posting->date) }}</td><td class="n">{{ Say::balance($money($posting->base)) }}</td></tr>
        @empty<tr><td>No posting on {{ $account->number }} bears this document, entry or batch.</td></tr>@endforelse
        </tbody></table>
        @if ($differences->isNotEmpty())
            <h2>Exchange differences</h2>
            <table class="grid-table"><tbody>@foreach ($differences as $difference)<tr><td><a href="{{ route('document', $difference->root_id) }}">{{ $difference->document }}</a></td><td>{{ Say::day($difference->date) }}</td><td class="n">{{ Say::balance($money(($difference->side === 'debit' ? 1 : -1) * $difference->base)) }}</td></tr>@endforeach</tbody></table>
        @endif
        @if ($related->isNotEmpty())
            <h2>Related documents</h2>
            <table class="grid-table"><tbody>@foreach ($related as $other)<tr><td><a href="{{ route('document', $other->root_id) }}">{{ ucfirst(Kind::from($other->kind)->words()) }} {{ $other->document }}</a></td><td>{{ Say::day($other->date) }}</td><td class="n">{{ Money::ofMinor($other->amount, $other->currency)->grouped() }}</td></tr>@endforeach</tbody></table>
        @endif
        <x-source-row :source="$source"/>
    </aside>
</x-layout>
