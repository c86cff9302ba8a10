@use('App\Http\Say')
<div class="note">The bank named this movement, it seems, before: {{ $like->amount->grouped() }} {{ $like->amount->currency->code }}, booked
    {{ Say::day($like->dates->booking) }}, “{{ $like->title() ?: 'no text' }}”. Day and amount agree, and nothing else tells them apart.</div>
@if ($writes)
    <form method="post" action="{{ route('receipts.answer', $line->id) }}" class="flex gap-3 mt-2">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <button class="button" name="answer" value="same" data-hotkey="s">The same: count it once <kbd>S</kbd></button>
        <button class="button" name="answer" value="another" data-hotkey="o">Another one: place it <kbd>O</kbd></button>
    </form>
@endif
