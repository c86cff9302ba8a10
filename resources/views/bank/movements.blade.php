@use('App\Http\Say')
@if ($list !== [])
    <h2 id="{{ $anchor }}">{{ $title }}</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Booked</th>
                <th scope="col">From the bank</th>
                <th scope="col" class="n">Amount</th>
                <th scope="col">Said</th>
            </tr>
        </thead>
        <tbody>
            @foreach (array_slice($list, 0, 300) as $movement)
                <tr @class(['current' => $line?->id === $movement->id])>
                    <td class="nowrap">{{ Say::shortDay($movement->day) }}</td>
                    <td class="clip"><a href="{{ route('bank', [...$here, 'line' => $movement->id]) }}">{{ $told[$movement->id]->title() ?: 'no text' }}</a></td>
                    <td class="n font-semibold">{{ $movement->amount->grouped() }}</td>
                    <td class="nowrap">
                        <span class="tag">{{ $movement->isDecided ? 'decided, not in the ledger yet' : 'nobody yet' }}</span>
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @if (count($list) > 300)
        <p class="slate">The first 300 of {{ count($list) }}.</p>
    @endif
@endif
