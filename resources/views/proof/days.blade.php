@use('App\Http\Say')
<h2>Difference day by day</h2>
<x-svg.days :picture="$picture" :chosen="$day" />
<p class="mt-1">
    @if ($since)
        Apart since
        <a href="{{ route('proof', ['day' => $since]) }}">{{ Say::day($since) }}</a>.
    @elseif ($proof->difference !== 0)
        Apart before the first day shown.
    @endif
    @if ($signed && !$signed[1]->isZero())
        The signed period to {{ Say::day($signed[0]) }} carries {{ Say::balance($signed[1]) }} of it already.
    @elseif ($signed)
        The signed period to {{ Say::day($signed[0]) }} was level.
    @endif
    <a href="{{ route('proof', ['span' => $year ? 'month' : 'year']) }}">{{ $year ? 'Only this month' : 'Twelve months back' }}</a>
</p>
<p class="slate mt-1">A step is a day on which the two sides parted or met. Open one to see its causes.</p>
