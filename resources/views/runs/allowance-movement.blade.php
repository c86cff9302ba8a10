@use('App\Http\Say')
<h2>Movement in {{ Say::month($run->asOf()) }}</h2>
<table class="grid-table">
    <tbody>
        <tr>
            <td>Opening</td>
            <td class="n">{{ $movement->opening->grouped() }}</td>
        </tr>
        @foreach ($movement->lines as $line => $sum)
            @unless ($sum->isZero() && $line === 'other')
                <tr>
                    <td>{{ ucfirst($line) }}</td>
                    <td class="n">{{ $sum->isZero() ? '·' : $sum->grouped() }}</td>
                </tr>
            @endunless
        @endforeach
        <tr>
            <td class="font-semibold">Closing</td>
            <td class="n font-semibold">{{ $movement->closing->grouped() }}</td>
        </tr>
    </tbody>
</table>
