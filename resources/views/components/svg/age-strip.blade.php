@props(['row'])
@php
    $amounts = array_map(fn(int $amount) => max(0, $amount), $row->amounts);
    $sum = max(1, array_sum($amounts));
    $colours = ['#e6e8ef', '#c5cbdd', '#98a4c4', '#6575a2', '#36456f'];
    $x = 0.0;
    $last = max(1, count($amounts) - 1);
    // One string for each row: a list has many.
    $rects = '';
    foreach (array_filter($amounts) as $column => $amount) {
        $width = (110 * $amount) / $sum;
        $rects .= sprintf('<rect x="%.1f" y="0" width="%.1f" height="12" fill="%s" />', $x, $width, $colours[(int) round((4 * $column) / $last)]);
        $x += $width;
    }
@endphp
<svg width="110" height="12" viewBox="0 0 110 12" role="img"
    aria-label="Age: {{ implode(', ', array_map(fn(int $a) => round((100 * $a) / $sum) . ' %', $amounts)) }}">{!! $rects !!}<rect
        x="0.5" y="0.5" width="109" height="11" fill="none" stroke="#c2b79f" stroke-opacity="0.6" /></svg>
