<table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col">
                <button type="button">Customer</button>
            </th>
            <th scope="col">
                <button type="button">Document</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Amount</button>
            </th>
            <th scope="col" class="n">
                <button type="button">In {{ $base->code }}</button>
            </th>
            <th scope="col">Why</th>
        </tr>
    </thead>
    <tbody>
        @forelse ($plan->lines as $line)
            <tr data-minor="{{ $line->base->minor }}">
                <td><a href="{{ route('customer', $line->customer->id) }}">{{ $line->customer->name }}</a></td>
                <td>{{ $line->document }}</td>
                <td class="n" data-sort="{{ $line->amount->minor }}">{{ $line->amount->grouped() }} <span
                        class="slate">{{ $line->amount->currency->code }}</span></td>
                <td class="n font-semibold" data-sort="{{ $line->base->minor }}">{{ $line->base->grouped() }}</td>
                <td class="soft">{{ $line->why }}</td>
            </tr>
        @empty
            <tr>
                <td colspan="5">No customer is in credit as of this day.</td>
            </tr>
        @endforelse
    </tbody>
    <tfoot>
        <tr>
            <td colspan="3">Presented as a liability</td>
            <td class="n">{{ $plan->total()->grouped() }}</td>
            <td></td>
        </tr>
    </tfoot>
</table>
