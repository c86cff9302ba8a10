@php
    use Ajuste\Core\Bank\BookedMovement;
    use App\Http\Say;
    $fit = collect($movements)->filter(fn (BookedMovement $of) => !$of->isDecided && $of->amount->equals($unconfirmed->posting->amount));
@endphp
<div class="flex items-baseline gap-4">
    <h2 class="title">Entry <a href="{{ route('posting', $posting->id) }}">{{ $posting->entry }}</a></h2>
    <b class="ml-auto text-lg whitespace-nowrap">{{ $unconfirmed->posting->amount->grouped() }} {{ $chosen->currency->code }}</b>
</div>
<p class="lead mb-2!">{{ $posting->description }} {{ $posting->document }}, {{ Say::day($posting->date) }}. {{ ucfirst($unconfirmed->likely->words()) }}.</p>
@if ($writes && $fit->isNotEmpty())
    <form method="post" action="{{ route('bank.pick') }}" class="grid gap-2 mt-4">@csrf
        <input type="hidden" name="key" value="{{ $key }}-pick">
        <input type="hidden" name="bank" value="{{ $chosen->account->number }}">
        <input type="hidden" name="posting" value="{{ $posting->id }}">
        <label>It is the movement
            <select name="line" class="w-full">
                @foreach ($fit->take(200) as $of)
                    <option value="{{ $of->id }}">{{ $of->amount->grouped() }}, {{ Say::shortDay($of->day) }}, {{ $told[$of->id]->title() }}</option>
                @endforeach
            </select>
        </label>
        <span><button class="button main" data-main>Confirm that movement <kbd>Ctrl ↵</kbd></button></span>
    </form>
@elseif ($writes)
    <p class="soft">No movement of this amount waits for a posting. Where the money never came, the entry is taken back where it was made: ask at the source on
        <a href="{{ route('proof') }}">Proof</a>.</p>
@endif
