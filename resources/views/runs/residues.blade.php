@use('App\Http\Say')
<x-layout title="Residues" station="residues" class="halves even">
    <div class="pane">
        <h1>Residues as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">{{ Say::count($lines, 'item') }} inside the policy, {{ $run->total()->grouped() }} {{ $base->code }}:
            {{ $run->policy() }}. <a href="{{ route('policies') }}">Settings</a></p>
        @include('runs.lines', ['taken' => 'Written off', 'leftOut' => 'Near misses and what else stays'])
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What posting would write">
        @include('runs.posting')
        @include('runs.what-if')
        @include('runs.posted')
        @include('runs.short-payers')
        @include('runs.blocks')
        @include('runs.decide', ['verb' => 'Write off'])
    </aside>
</x-layout>
