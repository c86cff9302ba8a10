@use('App\Http\Say')
<h2 class="title">Tell the payers, then send</h2>
<p class="lead">Nothing is posted before the bank has answered. Whoever is not told {{ $days }} days before must have agreed to less.</p>
@if ($of->untold() !== [])
    <form method="post" action="{{ route('collection.tell', $of->id) }}" class="my-2">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <button class="button" data-hotkey="t">Tell {{ Say::count(count($of->untold()), 'payer') }} through the outbox <kbd>T</kbd></button>
    </form>
@else
    <p>Every payer is told.</p>
@endif
<form method="post" action="{{ route('collection.send', $of->id) }}">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    @if ($late !== [])
        <div class="note">
            {{ Say::count(count($late), 'payer') }} not told in time for {{ Say::day($of->day) }}:
            {{ implode(', ', array_map(fn($debit) => $debit->of->customer->name, array_slice($late, 0, 8))) }}{{ count($late) > 8 ? ' ...' : '' }}.
            <br><label><input type="checkbox" name="agreed" value="1"> a shorter notice is agreed with them</label>
        </div>
    @endif
    <div class="foot">
        <button class="button main" data-main>Send {{ Say::count(count($of->debits), 'debit') }}, {{ $of->sum()->grouped() }}
            {{ $of->sum()->currency->code }}, to the bank <kbd>Ctrl ↵</kbd></button>
    </div>
</form>
<form method="post" action="{{ route('collection.discard', $of->id) }}" class="mt-3">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <button class="slate underline cursor-pointer">discard it</button>
</form>
