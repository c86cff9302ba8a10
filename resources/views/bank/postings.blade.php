@use('App\Http\Say')
@if ($against->unconfirmed !== [])
    <h2 id="unconfirmed">Postings that no statement confirms</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Date</th>
                <th scope="col">Entry</th>
                <th scope="col" class="n">Amount</th>
                <th scope="col">Likely</th>
            </tr>
        </thead>
        <tbody>
            @foreach (array_slice($against->unconfirmed, 0, 300) as $of)
                @php $entry = $entries[$of->posting->id]; @endphp
                <tr @class(['current' => $unconfirmed?->posting->id === $of->posting->id])>
                    <td class="nowrap">{{ Say::shortDay($of->posting->day) }}</td>
                    <td class="clip"><a href="{{ route('bank', [...$here, 'posting' => $of->posting->id]) }}">{{ $entry->entry }}
                            {{ $entry->document }} {{ $entry->description }}</a></td>
                    <td class="n font-semibold">{{ $of->posting->amount->grouped() }}</td>
                    <td class="nowrap"><span class="tag">{{ strtok($of->likely->words(), ':') }}</span></td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @if (count($against->unconfirmed) > 300)
        <p class="slate">The first 300 of {{ count($against->unconfirmed) }}.</p>
    @endif
@endif
