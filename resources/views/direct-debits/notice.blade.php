@use('App\Http\Say')
<x-paper title="Direct debit {{ $debit->endToEnd }}">
    <x-letterhead />
    <h1>Notice of a direct debit</h1>
    <p>{{ $debit->of->customer->name }}<br><span class="soft">customer {{ $debit->of->customer->number }}</span></p>
    <p>On {{ Say::day($collection->day) }} we collect {{ $debit->amount()->grouped() }} {{ $debit->amount()->currency->code }} from account
        {{ Say::iban($debit->of->mandate->iban) }} of {{ $debit->of->mandate->holder }}.</p>
    <p>Mandate {{ $debit->of->mandate->reference }}, signed on {{ Say::day($debit->of->mandate->signed) }}; creditor identifier {{ $creditor }}.</p>
    <table>
        <thead>
            <tr>
                <th>It pays</th>
                <th>Due</th>
                <th class="n">Discount</th>
                <th class="n">{{ $debit->amount()->currency->code }}</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($debit->items as $item)
                <tr>
                    <td>{{ $item->document }}</td>
                    <td>{{ Say::day($item->dueDate) }}</td>
                    <td class="n">{{ $item->discount->isZero() ? '' : $item->discount->grouped() }}</td>
                    <td class="n">{{ $item->amount->grouped() }}</td>
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td colspan="3">Collected</td>
                <td class="n">{{ $debit->amount()->grouped() }}</td>
            </tr>
        </tfoot>
    </table>
</x-paper>
