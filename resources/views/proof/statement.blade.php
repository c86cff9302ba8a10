@use('App\Http\Say')
<h2>Statement</h2>
<table class="grid-table">
    <tbody>
        <tr>
            <td>Ledger as imported</td>
            <td class="n">{{ Say::balance($money($proof->ledgerAsImported)) }}</td>
        </tr>
        <tr>
            <td><a href="{{ route('journals') }}">Own vouchers not yet taken over</a></td>
            <td class="n">{{ Say::balance($money($proof->ownVouchers)) }}</td>
        </tr>
        <tr>
            <th scope="row" class="text-left font-semibold">Control account</th>
            <td class="n font-semibold">{{ Say::balance($money($proof->control)) }}</td>
        </tr>
        @foreach ($proof->byCause() as $name => $lines)
            <tr data-part="cause-{{ $name }}">
                <td><a href="{{ route('proof', ['cause' => $name]) }}">{{ $lines[0]->cause->words() }}</a>, {{ Say::count(count($lines), 'line') }}
                </td>
                <td class="n">{{ $money($proof->amounts()[$name])->grouped() }}</td>
            </tr>
        @endforeach
    </tbody>
    <tfoot>
        <tr>
            <td>Customers</td>
            <td class="n">{{ Say::balance($money($proof->customers)) }}</td>
        </tr>
    </tfoot>
</table>
<h2>How they were paired</h2>
<p class="soft"><a href="{{ route('proof.unseen') }}">What a proof cannot see</a>: the same document twice on both sides, missing numbers, receipts
    that quote another customer.</p>
<table class="grid-table">
    <tbody>
        @foreach ($tests as $test => $count)
            <tr>
                <td><a href="{{ route('proof.pairs', ['by' => $test]) }}">By {{ $testWords[$test] }}</a></td>
                <td class="n">{{ number_format($count) }}</td>
            </tr>
        @endforeach
    </tbody>
</table>
@if ($byHand->isNotEmpty())
    <h2>What persons said</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($byHand as $pair)
                <tr>
                    <td>{{ $pair->together ? 'Together' : 'Apart' }}: {{ $pair->reason }}</td>
                    <td class="slate nowrap">{{ $pair->who }}, {{ Say::moment($pair->recorded_at) }}</td>
                    <td>
                        @if (Auth::user()->role->mayWrite())
                            <form method="post" action="{{ route('proof.withdraw-pair', $pair->id) }}">@csrf
                                <input type="hidden" name="key" value="{{ $key }}-{{ $pair->id }}">
                                <button class="slate underline cursor-pointer">withdraw</button>
                            </form>
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
