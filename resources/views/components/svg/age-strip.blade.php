@props(['row'])
@php
    $amounts = array_map(fn(int $amount) => max(0, $amount), $row->amounts);
    $sum = max(1, array_sum($amounts));
    $colours = ['#e6e8ef', '#c5cbdd', '#98a4c4', '#6575a2', '#36456f'];
    $x = 0.0;
    $last = count($amounts) - 1;
@endphp
<svg width="110" height="12" viewBox="0 0 110 12" role="img"
    aria-label="Age: {{ implode(', ', array_map(fn(int $a) => round((100 * $a) / $sum) . ' %', $amounts)) }}">
    @foreach ($amounts as $column => $amount)
        @php
            $width = (110 * $amount) / $sum;
            $colour = $colours[(int) round((4 * $column) / max(1, $last))];
        @endphp
        <rect x="{{ round($x, 1) }}" y="0" width="{{ round($width, 1) }}" height="12" fill="{{ $colour }}" />@php $x += $width; @endphp
    @endforeach
    <rect x="0.5" y="0.5" width="109" height="11" fill="none" stroke="#c2b79f" stroke-opacity="0.6" />
</svg>
