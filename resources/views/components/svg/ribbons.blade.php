@props(['ribbons'])
@php
    use Ajuste\Core\Subledger\Kind;
    use Ajuste\Core\Subledger\Side;
@endphp
<svg viewBox="0 0 660 {{ $ribbons->height }}" width="100%" class="mt-3" role="group" aria-label="What settles what; the width of a ribbon is its amount">
    @foreach ($ribbons->ribbons as [$path, $says, $kept])
        <path d="{{ $path }}" fill="{{ $kept ? '#dfb56a' : '#90bfaa' }}" fill-opacity="0.6">
            <title>{{ $says }}</title>
        </path>
    @endforeach
    @foreach ($ribbons->bars as $bar)
        @php
            $credit = $bar->tick->item->side === Side::Credit;
            $x = $credit ? $bar->x - 8 : $bar->x + 18;
        @endphp
        <rect x="{{ $bar->x }}" y="{{ $bar->y }}" width="10" height="{{ $bar->full }}" fill="#e0d8c6" />
        <rect x="{{ $bar->x }}" y="{{ $bar->y }}" width="10" height="{{ $bar->used }}"
            fill="{{ !$credit ? '#1d2426' : (in_array($bar->tick->item->kind, [Kind::Discount, Kind::Deduction], true) ? '#855610' : '#1b5e4b') }}" />
        <text x="{{ $x }}" y="{{ $bar->y + 12 }}" text-anchor="{{ $credit ? 'end' : 'start' }}">{{ $bar->tick->item->title() }}</text>
        <text x="{{ $x }}" y="{{ $bar->y + 28 }}" text-anchor="{{ $credit ? 'end' : 'start' }}"
            style="fill:#455053">{{ $bar->tick->amount->grouped() }}{{ $bar->tick->leaves()->isZero() ? ', settled' : ', leaves ' . $bar->tick->leaves()->grouped() }}</text>
    @endforeach
</svg>
