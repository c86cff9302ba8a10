@use('App\Http\Say')
<x-layout title="Contra" station="contra" class="halves even">
    <div class="pane">
        <h1>Contra as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">{{ Say::count($lines, 'item') }} can be set off, {{ $run->total()->grouped() }} {{ $base->code }}:
            {{ $run->policy() }}. <a href="{{ route('agreements') }}" data-hotkey="e">Agreements <kbd>E</kbd></a>
            <a href="{{ route('suppliers') }}">Suppliers</a></p>
        @if ($likely > 0)
            <div class="note"><a href="{{ route('agreements') }}">{{ Say::count($likely, 'pair') }} may be the same party</a>: link them, or say that they
                are not.</div>
        @endif
        @foreach ($payables as $of)
            <p class="soft">Suppliers' open items {{ $of->suppliers->grouped() }} {{ $base->code }};
                @if ($of->difference() === null)
                    no file has brought lines of {{ $of->account->number }}, so nothing can be said of the ledger.
                @elseif ($of->difference()->isZero())
                    {{ $of->account->title() }} says the same.
                @else
                    {{ $of->account->title() }} says {{ $of->ledger->grouped() }}, <b>{{ $of->difference()->grouped() }} apart</b>.
                @endif
            </p>
        @endforeach
        @include('runs.pairs', ['window' => $windows['pairs']])
        @include('runs.lines', ['taken' => 'Line by line', 'leftOut' => 'What stays, and why'])
    </div>
    @fragment('worktop')
        @if ($pair)
            @include('runs.pair-worktop')
        @else
            <aside class="pane worktop" id="worktop" aria-label="What posting would write">
                @include('runs.posting')
                @include('runs.posted')
                @include('runs.blocks')
                @include('runs.decide', ['verb' => 'Set off'])
            </aside>
        @endif
    @endfragment
</x-layout>
