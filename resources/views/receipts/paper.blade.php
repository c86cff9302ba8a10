@php
    use App\Http\Say;
    $code = $of->item->amount->currency->code;
@endphp
<x-paper title="Receipt {{ $of->item->document }}">
    <x-letterhead />
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
            <x-paper-lines :lines="$of->settled" />
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
            <x-paper-lines :lines="$of->open" />
            @if ($of->open === [])
                <tr>
                    <td colspan="3">Nothing.</td>
                </tr>
            @endif
        </tbody>
    </table>
</x-paper>
