@props(['ribbons'])
<svg viewBox="0 0 660 {{ $ribbons->height }}" width="100%" class="mt-3" role="group" aria-label="What settles what; the width of a ribbon is its amount">
    @foreach ($ribbons->ribbons as [$path, $says, $kept])
        <path d="{{ $path }}" fill="{{ $kept ? '#dfb56a' : '#90bfaa' }}" fill-opacity="0.6">
            <title>{{ $says }}</title>
        </path>
    @endforeach
    @foreach ($ribbons->bars as $bar)
        @php
            $left = $bar->end->isLeft;
            $x = $left ? $bar->x - 8 : $bar->x + 18;
            $fill = !$left ? '#1d2426' : ($bar->end->isReduction ? '#855610' : '#1b5e4b');
        @endphp
        <rect x="{{ $bar->x }}" y="{{ $bar->y }}" width="10" height="{{ $bar->full }}" fill="#e0d8c6" />
        <rect x="{{ $bar->x }}" y="{{ $bar->y }}" width="10" height="{{ $bar->used }}" fill="{{ $fill }}" />
        <text x="{{ $x }}" y="{{ $bar->y + 12 }}" text-anchor="{{ $left ? 'end' : 'start' }}">{{ $bar->end->title }}</text>
        <text x="{{ $x }}" y="{{ $bar->y + 28 }}" text-anchor="{{ $left ? 'end' : 'start' }}"
            style="fill:#455053">{{ $bar->end->used->grouped() }}{{ $bar->end->leaves()->isZero() ? ', settled' : ', leaves ' . $bar->end->leaves()->grouped() }}</text>
    @endforeach
</svg>
