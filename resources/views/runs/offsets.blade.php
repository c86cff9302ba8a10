@php use App\Http\Say; @endphp
@if ($run->offsets !== [])
    <h2>Pair by pair</h2>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Party, agreement</th>
                <th scope="col">Its own credits first</th>
                <th scope="col">Bills</th>
                <th scope="col" class="n">Set off</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($run->offsets as $offset)
                <tr>
                    <td>{{ $offset->pair->customer->number }} = {{ $offset->pair->supplier->number }} {{ $offset->pair->supplier->name }}<br>
                        <span class="slate">{{ $offset->agreement->reference }}, since {{ Say::day($offset->agreement->from) }}</span></td>
                    <td>
                        @foreach ($offset->settledFirst as $part)
                            <div class="nowrap">{{ $part->item->document }} <span class="figure">{{ $part->amount->grouped() }}</span></div>
                        @endforeach
                    </td>
                    <td>
                        @foreach ($offset->bills as $part)
                            <div class="nowrap">{{ $part->bill->document }} <span class="figure">{{ $part->amount->grouped() }}</span></div>
                        @endforeach
                    </td>
                    <td class="n">{{ $offset->amount()->grouped() }} <span class="slate">{{ $offset->pair->currency->code }}</span></td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
