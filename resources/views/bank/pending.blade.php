@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
@if ($pending !== [])
    <h2>Pending at the bank: no money yet</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Day</th>
                <th scope="col">From the bank</th>
                <th scope="col" class="n">Amount</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($pending as $row)
                <tr>
                    <td class="nowrap">{{ Say::shortDay($row->booking_date) }}</td>
                    <td class="clip">{{ trim("{$row->party} {$row->remittance}") ?: $row->reference }}</td>
                    <td class="n">{{ Money::ofMinor($row->amount, $row->currency)->grouped() }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
