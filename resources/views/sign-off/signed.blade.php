@use('App\Http\Say')
@if ($signOff->prepared && $inReview)
    <div class="note">Signed by {{ $signOff->prepared->who }}, {{ Say::moment($signOff->prepared->recordedAt) }}. In review.</div>
@elseif ($signOff->prepared)
    <div class="note">The signature of {{ $signOff->prepared->who }} is void: {{ implode('; ', array_slice($signOff->voidedBy(), 0, 4)) }}.</div>
@endif
@foreach ($signed as $of)
    <p class="soft">{{ $of->period }} was signed second by {{ $of->who }}, {{ Say::moment($of->recorded_at) }}. <a
            href="{{ route('sign-off.period', $of->period) }}">As known then and now</a> <a
            hx-boost="false" href="{{ route('sign-off.pack', $of->period) }}">Close pack</a></p>
@endforeach
@if ($locked)
    <p class="soft">The days through {{ Say::day($locked) }} are locked.</p>
    @if (Auth::user()->mayReview())
        <form method="post" action="{{ route('sign-off.reopen') }}" class="flex gap-2 items-end">@csrf
            <input type="hidden" name="key" value="{{ $key }}-r">
            <label class="grow">Open the latest locked period again, because <input type="text" name="reason" required class="w-full"></label>
            <button class="button">Reopen</button>
        </form>
    @endif
@endif
