@use('App\Http\Say')
<x-layout title="Currency" station="currency" class="halves">
    <div class="pane">
        <h1>Currency as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">Open foreign items at the closing rate; unrealised differences are {{ $run->policy() }}.
            {{ Say::count($lines, 'item') }} {{ $lines === 1 ? 'changes' : 'change' }}, net
            {{ $run->total()->grouped() }} {{ $base->code }}. <a href="{{ route('rates') }}">Rates</a>,
            <a href="{{ route('exchange-results') }}">gains and losses</a>,
            <a href="{{ route('policies') }}">settings</a></p>
        @include('runs.currency-sums')
        @include('runs.advances')
        @include('runs.lines', ['taken' => 'Revalued', 'leftOut' => 'Left as it stands'])
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What posting would write">
        @include('runs.posting')
        <h2>Rates, and the documents at their own</h2>
        @foreach ($pictures as $picture)
            <x-svg.rates :picture="$picture" />
        @endforeach
        @include('runs.posted')
        @include('runs.decide', ['verb' => 'Revalue'])
    </aside>
</x-layout>
