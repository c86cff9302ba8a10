@use('App\Http\PairWorktop')
<h2>Pair by pair</h2>
<x-filter />
<table class="grid-table" data-list data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col"><button type="button">Party</button></th>
            <th scope="col"><button type="button">Agreement</button></th>
            <th scope="col" class="n"><button type="button">Set off</button></th>
            <th scope="col"><button type="button">Bills</button></th>
        </tr>
    </thead>
    <tbody>
        @forelse ($run->offsets as $of)
            @php $address = route('contra', ['pair' => PairWorktop::name($of->party)]); @endphp
            <tr data-minor="{{ $of->carried()->minor }}" @class(['current' => $pair && $name === PairWorktop::name($of->party)])>
                <td><a href="{{ $address }}" hx-get="{{ $address }}" hx-target="#worktop" hx-swap="outerHTML"
                        hx-push-url="true">{{ $of->party->customer->number }} = {{ $of->party->supplier->number }} {{ $of->party->supplier->name }}</a></td>
                <td class="soft">{{ $of->agreement->reference }}</td>
                <td class="n font-semibold" data-sort="{{ $of->amount()->minor }}">{{ $of->amount()->grouped() }}
                    @if (!$of->amount()->isIn($base))
                        <span class="slate">{{ $of->party->currency->code }}</span>
                    @endif
                </td>
                <td class="soft">{{ implode(', ', array_map(fn($part) => $part->bill->document, $of->bills)) }}</td>
            </tr>
        @empty
            <tr>
                <td colspan="4">No pair can be set off as of this day.</td>
            </tr>
        @endforelse
    </tbody>
</table>
