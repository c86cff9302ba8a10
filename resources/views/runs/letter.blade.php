@use('App\Http\Say')
<x-paper title="Contra">
    @foreach ($letters as $letter)
        @php $code = $letter->contra->amount->currency->code; @endphp
        <div @if (!$loop->last) style="page-break-after: always" @endif>
            <x-letterhead />
            <h1>Contra {{ $letter->contra->document }}</h1>
            <p>{{ $letter->customer->name }}<br><span class="soft">customer {{ $letter->customer->number }}, supplier
                    {{ $letter->supplier }}</span></p>
            <p>Under our agreement {{ $letter->agreement }} we have set off {{ $letter->contra->amount->grouped() }} {{ $code }} on
                {{ Say::day($letter->contra->date) }}: what you owed us against what we owed you.</p>
            @foreach ([['You owed us', $letter->claims], ['We owed you', $letter->bills]] as [$title, $lines])
                <table>
                    <thead>
                        <tr>
                            <th>{{ $title }}</th>
                            <th>Dated</th>
                            <th class="n">Set off, {{ $code }}</th>
                        </tr>
                    </thead>
                    <tbody>
                        <x-paper-lines :lines="$lines" />
                    </tbody>
                    <tfoot>
                        <tr>
                            <td colspan="2">Set off</td>
                            <td class="n">{{ $letter->contra->amount->grouped() }}</td>
                        </tr>
                    </tfoot>
                </table>
            @endforeach
            <p>What remains at the end of that day: {{ $letter->owed->isNegative() ? 'in your favour with us' : 'you owe us' }}
                {{ $letter->owed->abs()->grouped() }} {{ $code }}, and as a supplier you are owed {{ $letter->owing->grouped() }} {{ $code }}.</p>
        </div>
    @endforeach
</x-paper>
