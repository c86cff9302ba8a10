@use('App\Http\Say')
@if ($writtenOff !== [])
<details class="mb-2" @if ($isMeant) open @endif
    data-hotkey="w">
    <summary class="cursor-pointer soft">Written off before <kbd>W</kbd></summary>
    @foreach (array_slice($writtenOff, 0, 8) as $of)
        <form method="post" action="{{ route('recover', $of->item_id) }}" class="flex flex-wrap gap-2 items-center mt-1">@csrf
            <input type="hidden" name="key" value="{{ $key }}-w{{ $of->item_id }}">
            <input type="hidden" name="line" value="{{ $line->id }}">
            <input type="hidden" name="date" value="{{ $line->dates->booking }}">
            <span><a href="{{ route('document', $of->debt_item_id) }}">{{ $of->debt }}</a> written off on {{ Say::shortDay($of->date) }},
                {{ $of->left->grouped() }} {{ $of->currency }}</span>
            <input type="text" inputmode="decimal" name="amount" class="w-24 text-right"
                value="{{ $of->left->isIn($line->amount->currency) && $of->left->isMoreThan($line->amount) ? $line->amount->decimal() : $of->left->decimal() }}"
                aria-label="Paid of {{ $of->debt }}">
            <button class="button py-0.5!">Write it back, to be matched</button>
        </form>
    @endforeach
</details>
@endif
