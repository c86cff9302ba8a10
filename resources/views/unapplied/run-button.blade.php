@use('App\Http\Say')
<button id="run-button" class="button main" data-main name="lines" value="{{ count($chosen->matches) }}" @disabled($chosen->matches === [])>
    {{ $chosen->matches === []
        ? 'Nothing is chosen'
        : 'Match ' .
            Say::count(count($chosen->matches), 'credit') .
            ', ' .
            implode(' + ', array_map(fn($sum) => $sum->grouped() . ' ' . $sum->currency->code, $chosen->sums())) }}
    <kbd>Ctrl ↵</kbd></button>
