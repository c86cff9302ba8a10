@use('App\Http\Say')
<x-layout title="Contra" station="contra" class="halves even">
    <div class="pane">
        <h1>Contra as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">{{ Say::count(count($run->lines()), 'item') }} can be set off, {{ $run->total()->grouped() }} {{ $base->code }}:
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
        <div class="mt-5" x-data="grid">
            @include('runs.pairs')
            <x-table-foot name="contra-pairs" sum-of="Set off" />
        </div>
        <div class="mt-5" x-data="grid">
            @include('runs.lines', ['taken' => 'Line by line', 'leftOut' => 'What stays, and why'])
        </div>
    </div>
    @fragment('worktop')
        <aside class="pane worktop" id="worktop" aria-label="{{ $pair ? 'The chosen pair' : 'What posting would write' }}">
            @if ($pair)
                @include('runs.pair')
            @else
                @include('runs.posting')
                @include('runs.posted')
                @include('runs.blocks')
                @include('runs.decide', ['verb' => 'Set off'])
            @endif
        </aside>
    @endfragment
</x-layout>
