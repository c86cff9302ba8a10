@use('App\Http\Say')
<x-paper title="Close of {{ $period->name }}">
    <x-letterhead />
    <h1>Close of {{ $period->name }}</h1>
    <p class="soft">{{ Say::day($period->first) }} to {{ Say::day($period->last) }}. Balances in {{ $base->code }}, credits with a minus.</p>
    <table>
        <thead>
            <tr>
                <th>Signed</th>
                <th>By</th>
                <th>On</th>
                <th>Digest of the figures</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($signatures as $of)
                <tr>
                    <td>{{ $of->role }}</td>
                    <td>{{ $of->who }} {{ $of->evidence }}</td>
                    <td>{{ Say::moment($of->recorded_at) }}</td>
                    <td>{{ substr($of->digest, 0, 16) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <table>
        <tbody>
            @foreach ($figures as $name => $figure)
                <tr>
                    <td>{{ ucfirst($name) }}</td>
                    <td class="n">{{ $figure }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @if ($reasons->isNotEmpty())
        <table>
            <tbody>
                @foreach ($reasons as $of)
                    <tr>
                        <td>{{ $of->name }}</td>
                        <td>{{ $of->reason }}</td>
                        <td>{{ $of->who }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
</x-paper>
