@use('App\Http\Say')
<table class="grid-table mt-2">
    <caption class="visually-hidden">From the ledger's balance to the bank's</caption>
    <tbody>
        <tr>
            <th scope="row" class="text-left">Ledger, account {{ $chosen->account->title() }}, as imported</th>
            <td></td>
            <td class="n"><a href="{{ route('account', $chosen->account->number) }}">{{ $against->book->grouped() }}</a></td>
        </tr>
        <tr>
            <th scope="row" class="text-left">Own vouchers not taken over</th>
            <td></td>
            <td class="n"><a href="{{ route('journals') }}">{{ $against->own->grouped() }}</a></td>
        </tr>
        <tr>
            <th scope="row" class="text-left">Money in to place</th>
            <td class="n">{{ count($against->toPlace) }}</td>
            <td class="n"><a href="#to-place">{{ $against->sumToPlace()->grouped() }}</a></td>
        </tr>
        <tr>
            <th scope="row" class="text-left">Money out that the book lacks</th>
            <td class="n">{{ count($against->outflows) }}</td>
            <td class="n"><a href="#out">{{ $against->sumOfOutflows()->grouped() }}</a></td>
        </tr>
        <tr>
            <th scope="row" class="text-left">Postings that no statement confirms, taken off</th>
            <td class="n">{{ count($against->unconfirmed) }}</td>
            <td class="n"><a href="#unconfirmed">{{ $against->sumUnconfirmed()->negated()->grouped() }}</a></td>
        </tr>
        <tr>
            <th scope="row" class="text-left">Difference that nothing explains</th>
            <td></td>
            <td @class(['n', 'font-semibold', 'madder' => !$against->difference->isZero()])>{{ $against->difference->grouped() }}</td>
        </tr>
        <tr>
            <th scope="row" class="text-left whitespace-normal">Bank, statement {{ $chosen->statement }} of {{ Say::day($against->closing->day) }},
                {{ Say::iban($chosen->number) }}</th>
            <td></td>
            <td class="n font-semibold">{{ $against->closing->amount->grouped() }} {{ $chosen->currency->code }}</td>
        </tr>
    </tbody>
</table>
