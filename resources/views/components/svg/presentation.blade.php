@props(['plan', 'control'])
@php
    $rows = [
        ['Receivables', $control, $plan->receivablesAfter($control), '#1d2426'],
        ['Customers in credit', Ajuste\Core\Money\Money::zero($plan->liability()->currency), $plan->liability(), '#a5302a'],
    ];
@endphp
<svg viewBox="0 0 480 190" width="100%" role="group" aria-label="Balance sheet lines before and after">
    @foreach ($rows as $place => [$name, $before, $after, $fill])
        @foreach (['before' => $before, 'after' => $after] as $when => $amount)
            @php
                $most = max(1, $after->minor, $before->minor);
                $y = $place * 96 + ($when === 'before' ? 22 : 52);
            @endphp
            @if ($when === 'before')
                <text x="0" y="{{ $y - 8 }}" style="font-weight:650">{{ $name }}</text>
            @endif
            <text x="0" y="{{ $y + 16 }}">{{ $when }}</text>
            <rect x="52" y="{{ $y }}" width="{{ max(1, (310 * max(0, $amount->minor)) / $most) }}" height="22" fill="{{ $fill }}"
                fill-opacity="{{ $when === 'before' ? 0.35 : 1 }}" />
            @if ($when === 'after' && $place === 0 && !$plan->liability()->isZero())
                <rect x="{{ 52 + 310 - max(3, (310 * $plan->liability()->minor) / $most) }}" y="{{ $y }}"
                    width="{{ max(3, (310 * $plan->liability()->minor) / $most) }}" height="22" fill="#a5302a" />
            @endif
            <text x="480" y="{{ $y + 16 }}" text-anchor="end">{{ $amount->grouped() }}</text>
        @endforeach
    @endforeach
</svg>
