<div id="rehearsal" aria-live="polite">
    @if (isset($unread))
        <p class="note">{{ $unread }}</p>
    @elseif ($offset)
        <x-svg.ribbons :ribbons="$ribbons" />
        <p class="mt-2">Set off <b class="text-lg">{{ $offset->amount()->grouped() }}</b> {{ $pair->party->currency->code }}@if ($offset->settledFirst !== [])
                , after own credits of {{ Ajuste\Core\Money\Money::sum(array_column($offset->settledFirst, 'amount'), $pair->party->currency)->grouped() }}
            @endif.</p>
    @else
        <p class="mt-2">Nothing would be set off.</p>
    @endif
    @foreach ($stays ?? [] as $of)
        <div class="soft">{{ trim(($of->document === '' ? 'The pair' : $of->document) . ' ' . ($of->amount->isZero() ? '' : $of->amount->grouped())) }}: {{ $of->why }}</div>
    @endforeach
</div>
