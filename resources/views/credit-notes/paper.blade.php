@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $item->amount->currency)->grouped();
    $net = (int) $lines->sum('net');
    $invoices = $lines->whereNotNull('invoice')->unique('invoice');
@endphp
<x-paper title="Credit note {{ $item->document }}">
    <x-letterhead />
    <h1>Credit note {{ $item->document }}</h1>
    <p>{{ $customer->name }}<br><span class="soft">customer {{ $customer->customer }}{{ $customer->tax_id === '' ? '' : ", {$customer->tax_id}" }}</span></p>
    <p>Dated {{ Say::day($item->date) }}{{ $invoices->isEmpty() ? ''
        : ', for ' . $invoices->map(fn($of) => "invoice {$of->invoice} of " . Say::day($of->invoice_date))->implode(', ') }}. {{ rtrim($note->reason, '.') }}.</p>
    <table>
        <thead>
            <tr>
                <th>Invoice, line</th>
                <th>Description</th>
                <th class="n">Tax rate</th>
                <th class="n">{{ $item->amount->currency->code }}, without tax</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($lines as $line)
                <tr>
                    <td>{{ trim("{$line->invoice} {$line->line}") }}</td>
                    <td>{{ $line->description }}</td>
                    <td class="n">{{ $line->rate }} %</td>
                    <td class="n">{{ $money($line->net) }}</td>
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td colspan="3">Tax</td>
                <td class="n">{{ $money($item->amount->minor - $net) }}</td>
            </tr>
            <tr>
                <td colspan="3">Credited</td>
                <td class="n">{{ $item->amount->grouped() }}</td>
            </tr>
        </tfoot>
    </table>
</x-paper>
