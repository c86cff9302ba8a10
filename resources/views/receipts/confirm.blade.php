@use('App\Http\Say')
@if ($confirms && $writes)
    <div class="note good">{{ ucfirst($chosen->confirmation->why) }}: entry <a href="{{ route('posting', $confirms->id) }}">{{ $confirms->entry }}</a> of
        {{ Say::day($confirms->date) }} on
        {{ $confirms->number }} {{ $confirms->account_name }},
        {{ $confirms->description }}{{ $confirms->document !== '' ? ' ' . $confirms->document : '' }}. It is posted already; confirming it posts
        nothing twice.
        <form method="post" action="{{ route('receipts.confirm', $line->id) }}" class="mt-2">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <input type="hidden" name="posting" value="{{ $confirms->id }}">
            <input type="hidden" name="kind" value="{{ $kind }}">
            <button class="button main" data-main>Confirm and next <kbd>Ctrl ↵</kbd></button>
            @unless ($anyway)
                <a class="ml-3" href="{{ route('receipts', [...$here, 'anyway' => 1]) }}">It is another payment: place it</a>
            @endunless
        </form>
    </div>
@endif
