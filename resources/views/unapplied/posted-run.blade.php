@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Proposal\Way;
    use Ajuste\Core\Subledger\Kind;
    use App\Http\Say;
@endphp
<x-layout title="Run {{ $run->id }}" station="unapplied" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('unapplied.run') }}">Runs</a></p>
        <h1>Run {{ $run->id }}, {{ number_format($count) }} {{ $count === 1 ? 'match' : 'matches' }}</h1>
        <p class="lead">As of {{ Say::day($run->as_of) }}, posted {{ Say::moment($run->recorded_at) }} by {{ $run->who }}. @if ($reversed)
                <span class="tag ochre">reversed: {{ $reversed->reason }}</span>
            @endif
        </p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col">
                        <button type="button">Credit</button>
                    </th>
                    <th scope="col">
                        <button type="button">How</button>
                    </th>
                    <th scope="col">
                        <button type="button">Effective</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Settled</button>
                    </th>
                    <th scope="col">Match</th>
                </tr>
            </thead>
            <tbody>
                @fragment('rows')
                    @foreach ($lines as $line)
                        <tr data-minor="{{ $line->amount }}">
                            <td><a href="{{ route('customer', $line->customer_id) }}">{{ $line->name }}</a></td>
                            <td><a href="{{ route('document', $line->root_id) }}">{{ ucfirst(Kind::from($line->kind)->words()) }} {{ $line->document }}</a></td>
                            <td class="soft">{{ Way::from($line->why)->words() }}</td>
                            <td class="nowrap" data-sort="{{ $line->date }}">{{ Say::shortDay($line->date) }}</td>
                            <td class="n" data-sort="{{ $line->amount }}">{{ Money::ofMinor($line->amount, $line->currency)->grouped() }} <span
                                    class="slate">{{ $line->currency }}</span></td>
                            <td><a href="{{ route('match', $line->id) }}">{{ $line->id }}</a>
                                @if ($line->vouchers > 0)
                                    <span class="slate">{{ Say::count($line->vouchers, 'voucher') }}</span>
                                @endif @unless ($line->stands)
                                <span class="tag ochre">reversed</span>
                            @endunless
                        </td>
                    </tr>
                @endforeach
                <x-more-rows :from="$from + count($lines)" :total="$count" />
            @endfragment
        </tbody>
    </table>
    <x-table-foot name="run" />
</div>
<aside class="pane worktop" aria-label="Reverse the run">
    @if (!$reversed && Auth::user()->role->mayWrite())
        <h2 class="title">Reverse it as one</h2>
        <p class="lead">Every match of the list that stands is undone with the vouchers that it caused; what it settled is open again. One that was
            reversed by itself stays so.</p>
        <form method="post" action="{{ route('unapplied.run.reverse', $run->id) }}" class="flex flex-wrap gap-3 items-end">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <label class="grid">As of <x-day name="date" :value="old('date')" /></label>
            <label class="grid">Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-60"></label>
            <button class="button">Reverse run {{ $run->id }}</button>
        </form>
        <p class="slate mt-2">Without a day each goes back as of its own, or the first open day after it.</p>
    @elseif ($reversed)
        <h2 class="title">Reversed</h2>
        <p class="lead">{{ Say::moment($reversed->recorded_at) }}, {{ $reversed->who }}: {{ $reversed->reason }}</p>
    @endif
</aside>
</x-layout>
