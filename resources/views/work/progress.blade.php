@php
    use App\Http\Say;
    use App\Values\WorkState;
    $unit = $work->kind()->unit();
    $left = $work->secondsLeft();
@endphp
<div id="work" role="status" @if ($work->state()->isUnderWay()) hx-get="{{ route('work', [$work->id(), 'part' => 1]) }}" hx-trigger="every 1s" hx-swap="outerHTML" @endif>
    @if ($work->state()->isUnderWay())
        <p>
            <progress max="{{ max(1, $work->total()) }}" value="{{ $work->done() }}" class="w-96" aria-label="{{ $work->kind()->words() }}"></progress>
        </p>
        <p>
            @if ($work->state() === WorkState::Waiting)
                It waits for its turn.
            @elseif ($work->total() === 0)
                It has begun.
            @else
                {{ number_format($work->done()) }} of {{ Say::count($work->total(), $unit) }}{{ $left === null ? '' : ', about ' . Say::duration($left) . ' left' }}.
            @endif
        </p>
        @if (Auth::user()->role->mayWrite())
            <form method="post" action="{{ route('work.cancel', $work->id()) }}">@csrf
                <button class="button">Cancel, as if it had never begun</button>
            </form>
        @endif
    @else
        <div class="note">{{ $work->says() }}</div>
        @isset ($work->content()['hand_in'])
            <p class="mt-3"><a class="button" href="{{ route('hand-in', $work->content()['hand_in']) }}">Back to the files</a></p>
        @endisset
    @endif
</div>
