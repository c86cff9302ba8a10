@if ($lines->isNotEmpty())
    <h2>Lines</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Line</th>
                <th scope="col">Description</th>
                <th scope="col" class="n">Quantity</th>
                <th scope="col" class="n">Price</th>
                <th scope="col" class="n">Net</th>
                <th scope="col" class="n">Tax rate</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($lines as $line)
                <tr>
                    <td>{{ $line->line }}</td>
                    <td>{{ $line->description }}</td>
                    <td class="n">{{ $line->quantity }}</td>
                    <td class="n">{{ $line->unit_price }}</td>
                    <td class="n">{{ $amount($line->net) }}</td>
                    <td class="n">{{ $line->tax_rate }} %</td>
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td colspan="4">Net, and what is tax</td>
                <td class="n">{{ $amount($net) }}</td>
                <td class="n">{{ $amount($tax) }}</td>
            </tr>
        </tfoot>
    </table>
@endif
