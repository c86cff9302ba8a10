@use('Ajuste\Core\Money\Money')
@if ($proposals !== [] && Auth::user()->role->mayWrite())
    <div class="flex flex-wrap gap-2 mb-3" role="group" aria-label="Proposals">
        @foreach ($proposals as $found)
            @php([$credit, $proposal, $ticks, $sure] = [$found->credit, $found->proposal, $found->ticks, $found->certain])
            <button type="button" @class(['tag', 'cursor-pointer', 'text-left', 'green' => $sure]) data-propose="{{ $ticks }}">
                {{ $credit->document }}: {{ $proposal->how->words() }}{{ $proposal->only ? '' : ', not the only way' }} →
                {{ implode(', ', array_map(fn($settles) => $settles->item->document, array_slice($proposal->settles, 0, 3))) }}{{ count($proposal->settles) > 3 ? ' …'
                    : '' }}{{ $proposal->takesDiscount() && $proposal->how->value !== 'exact_net' ? ', less the discount' : '' }}{{ $proposal->difference < 0
                    ? ', ' . Money::ofMinor(-$proposal->difference, $credit->open->currency)->grouped() . ' short' : '' }}
                @if ($loop->first)
                    <kbd>P</kbd>
                @endif
            </button>
        @endforeach
    </div>
@endif
