@props(['list'])
@php
    use App\Http\Say;
    $amounts = array_map(fn(int $amount) => max(0, $amount), $list->totals->amounts);
    $sum = max(1, array_sum($amounts));
    $colours = ['#e6e8ef', '#c5cbdd', '#98a4c4', '#6575a2', '#36456f'];
    $x = 0.0;
    $last = count($amounts) - 1;
@endphp
<svg viewBox="0 0 1230 34" width="100%" class="mt-4" role="group" aria-label="All open debits by age">
    @foreach ($amounts as $column => $amount)
        @php
            $width = (1230 * $amount) / $sum;
            $shade = (int) round((4 * $column) / max(1, $last));
            $label = Say::bucket($list->buckets->labels[$column]);
        @endphp
        <rect x="{{ round($x, 1) }}" y="0" width="{{ round($width, 1) }}" height="34" fill="{{ $colours[$shade] }}">
            <title>{{ $label }}: {{ round((100 * $amount) / $sum) }} %</title>
        </rect>
        @if ($width > 84)
            <text x="{{ round($x + 10, 1) }}" y="22" style="fill:{{ $shade > 2 ? '#fffdf7' : '#1d2426' }}">
                <tspan style="font-weight:650">{{ round((100 * $amount) / $sum) }} %</tspan> {{ $label }}
            </text>
        @endif
        @php $x += $width; @endphp
    @endforeach
</svg>
