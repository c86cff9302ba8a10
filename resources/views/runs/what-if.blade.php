<h2>What if</h2>
<form action="{{ route('residues') }}" class="flex flex-wrap gap-3 items-end">
    <label class="grid">Limit, {{ $base->code }} <input type="text" inputmode="decimal" name="limit" value="{{ $whatIf['limit'] }}"
            class="w-24 text-right" data-hotkey="i"></label>
    <label class="grid">Percent of the original <input type="text" inputmode="decimal" name="percent" value="{{ $whatIf['percent'] }}"
            class="w-24 text-right"></label>
    <label class="grid">Days <input type="text" inputmode="numeric" name="days" value="{{ $whatIf['days'] }}" class="w-20 text-right"></label>
    <button class="button">Count <kbd>I</kbd></button>
</form>
@if ($whatIf['refusal'] !== '')
    <div class="note bad" role="alert">{{ $whatIf['refusal'] }}</div>
@elseif ($whatIf['says'] !== null)
    <p role="status">{{ $whatIf['says'] }}</p>
@endif
