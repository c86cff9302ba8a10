@use('App\Http\Say')
<x-layout title="Contra" station="contra" class="halves even">
    <div class="pane" x-data="grid">
        <h1>Contra as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">{{ Say::count(count($run->lines()), 'item') }} can be set off, {{ $run->total()->grouped() }} {{ $base->code }}:
            {{ $run->policy() }}.</p>
        @include('runs.lines', ['taken' => 'Set off', 'leftOut' => 'What stays, and why'])
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What posting would write">
        @include('runs.posting')
        @include('runs.offsets')
        @include('runs.posted')
        @include('runs.blocks')
        @include('runs.decide', ['verb' => 'Set off'])
    </aside>
</x-layout>
