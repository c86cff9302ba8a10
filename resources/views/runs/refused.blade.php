@use('App\Http\Say')
<x-layout title="{{ ucfirst($kind->words()) }}" station="{{ $kind->path() }}">
    <div class="pane">
        <h1>{{ ucfirst($kind->words()) }}, {{ Say::day($asOf) }}</h1>
        <div class="note" role="alert">{{ $why }}</div>
        @if ($kind === Ajuste\Core\Run\RunKind::Currency && Auth::user()->role->mayWrite())
            <form method="post" action="{{ route('currency.accept') }}" class="my-3">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <button class="button" data-hotkey="a">The rates are right <kbd>A</kbd></button>
            </form>
        @endif
        <p>
            @if ($kind === Ajuste\Core\Run\RunKind::Currency)
                <a href="{{ route('rates') }}">Rates</a>,
            @endif
            <a href="{{ route('intake') }}">Intake</a>
        </p>
    </div>
</x-layout>
