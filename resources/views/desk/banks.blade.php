@use('App\Http\Say')
@php $compared = array_filter($banks, fn ($bank) => $bank->against !== null); @endphp
@if ($compared !== [])
    <h2>Bank against book</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Account</th>
                <th scope="col">Last statement</th>
                <th scope="col" class="n">To place</th>
                <th scope="col" class="n">Not confirmed</th>
                <th scope="col" class="n">Difference</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($compared as $bank)
                <tr>
                    <td><a href="{{ route('bank', ['bank' => $bank->account->number]) }}">{{ $bank->account->title() }}</a> {{ $bank->currency->code }}</td>
                    <td class="nowrap">{{ Say::day($bank->closing->day) }}</td>
                    <td class="n">{{ count($bank->against->toPlace) + count($bank->against->outflows) }}</td>
                    <td class="n">{{ count($bank->against->unconfirmed) }}</td>
                    <td @class(['n', 'font-semibold', 'madder' => !$bank->against->difference->isZero()])>{{ $bank->against->difference->grouped() }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
