@php
    use App\Http\Say;
    $code = $of->item->amount->currency->code;
@endphp
<x-paper title="Receipt {{ $of->item->document }}">
    <div class="soft">{{ $booksName }}</div>
    <h1>{{ ucfirst($of->item->kind->words()) }} {{ $of->item->document }}</h1>
    <p>{{ $customer->name }}<br><span class="soft">customer {{ $customer->number }}</span></p>
    <p>We received {{ $of->item->amount->grouped() }} {{ $code }} on {{ Say::day($of->item->date) }}.</p>
    <table>
        <thead>
            <tr>
                <th>It settled</th>
                <th>Dated</th>
                <th class="n">{{ $code }}</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($of->settled as $line)
                <tr>
                    <td>{{ $line->document }}</td>
                    <td>{{ Say::day($line->day) }}</td>
                    <td class="n">{{ $line->amount->grouped() }}</td>
                </tr>
                @foreach ($line->besides as $other)
                    <tr class="soft">
                        <td>and by {{ $other->document }}</td>
                        <td>{{ Say::day($other->day) }}</td>
                        <td class="n">({{ $other->amount->grouped() }})</td>
                    </tr>
                @endforeach
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td colspan="2">Not yet used</td>
                <td class="n">{{ $of->item->open->grouped() }}</td>
            </tr>
        </tfoot>
    </table>
    <table>
        <thead>
            <tr>
                <th>Still open as of {{ Say::day($of->asOf) }}</th>
                <th>Due</th>
                <th class="n">{{ $code }}</th>
            </tr>
        </thead>
        <tbody>
            @forelse ($of->open as $line)
                <tr>
                    <td>{{ $line->document }}</td>
                    <td>{{ Say::day($line->day) }}</td>
                    <td class="n">{{ $line->amount->grouped() }}</td>
                </tr>
            @empty
                <tr>
                    <td colspan="3">Nothing.</td>
                </tr>
            @endforelse
        </tbody>
    </table>
</x-paper>
