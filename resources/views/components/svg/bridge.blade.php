@props(['bridge'])
@php
    use App\Http\Pictures\Bridge;
    use App\Http\Say;
@endphp
<svg viewBox="0 0 {{ $bridge->width }} {{ Bridge::HEIGHT }}" width="100%" role="group" aria-label="Bridge from the control account to the customers">
    @foreach ($bridge->bars as $bar)
        @php
            $next = $bridge->bars[$loop->index + 1] ?? null;
            $fill = $bar->cause === '' ? '#1d2426' : ($bar->amount->minor < 0 ? '#d98f86' : '#90bfaa');
        @endphp
        @if ($next)
            <path d="M{{ $bar->x + $bar->width }} {{ $bar->level }}H{{ $next->x }}" stroke="#616c6f" stroke-dasharray="2 2" />
        @endif
        @if ($bar->cause !== '')
            <a href="{{ route('proof', ['cause' => $bar->cause]) }}" data-part="cause-{{ $bar->cause }}">
        @endif
        <title>{{ $bar->label }}: {{ $bar->amount->grouped() }}</title>
        <rect x="{{ $bar->x }}" y="{{ $bar->y }}" width="{{ $bar->width }}" height="{{ $bar->height }}" fill="{{ $fill }}" />
        <text x="{{ $loop->first ? 0 : ($loop->last ? $bridge->width : $bar->x + $bar->width / 2) }}" y="{{ $bar->y - 6 }}"
            text-anchor="{{ $loop->first ? 'start' : ($loop->last ? 'end' : 'middle') }}"
            @if ($bar->cause === '') style="font-weight:650" @else style="font-size:11px" @endif>{{ ($bar->cause !== '' && $bar->amount->minor > 0 ? '+'
                : '') . $bar->amount->grouped() }}</text>
        <text x="{{ $bar->x + $bar->width / 2 }}" y="166" text-anchor="middle" style="font-size:12px">
            @foreach (explode(' ', $bar->label) as $word)
                <tspan x="{{ $bar->x + $bar->width / 2 }}" dy="{{ $loop->first ? 0 : 14 }}">{{ $word }}</tspan>
            @endforeach
        </text>
        @if ($bar->cause !== '')
            </a>
        @endif
    @endforeach
</svg>
