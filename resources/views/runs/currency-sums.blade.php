@use('App\Http\Say')
<table class="grid-table mb-3" data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col">Currency</th>
            <th scope="col">Rate</th>
            <th scope="col" class="n">Open</th>
            <th scope="col" class="n">Carried, {{ $base->code }}</th>
            <th scope="col" class="n">At closing rate</th>
            <th scope="col" class="n">Gains</th>
            <th scope="col" class="n">Losses</th>
        </tr>
    </thead>
    <tbody>
        @forelse ($run->byCurrency() as $sum)
            <tr>
                <td>{{ $sum->open->currency->code }}</td>
                <td class="nowrap">{{ $sum->rate->now->rate->value }} <span class="slate">{{ $sum->rate->now->rate->quote->suffix() }}
                        {{ Say::shortDay($sum->rate->now->date) }}</span></td>
                <td class="n">{{ Say::balance($sum->open) }}</td>
                <td class="n">{{ Say::balance($sum->carried) }}</td>
                <td class="n">{{ Say::balance($sum->at) }}</td>
                <td class="n">{{ $sum->gains->grouped() }}</td>
                <td class="n">{{ $sum->losses->abs()->grouped() }}</td>
            </tr>
        @empty
            <tr>
                <td colspan="7">Nothing in foreign currency is open.</td>
            </tr>
        @endforelse
    </tbody>
</table>
