@props(['item', 'discount' => null, 'taken' => false, 'offered' => false, 'decision' => null, 'contested' => [], 'instalments' => [], 'meant' => ''])
@if ($discount?->isPositive())
    <label class="inline-flex gap-1 items-center ml-2">
        <input type="checkbox" name="discount[{{ $item->id }}]" value="1" @checked($taken)>less
        {{ $discount->grouped() }} discount</label>
@elseif ($offered)
    <span class="slate ml-2">{{ $item->head->terms }}</span>
@endif
@if ($decision)
    <span class="tag ml-1" title="{{ $decision->reason }}">discount {{ $decision->choice->words() }}</span>
@endif
@foreach ($contested as $amount)
    <span class="tag ochre ml-1" title="{{ $amount->reason }}, {{ $amount->owner }}">{{ $amount->amount->grouped() }} contested</span>
@endforeach
@if ($instalments !== [])
    <select name="instalment[{{ $item->id }}]" aria-label="Instalment of {{ $item->document }}" class="ml-2 h-6!">
        <option value="">oldest instalment first</option>
        @foreach ($instalments as $part)
            <option value="{{ $part->dueDate }}" @selected($meant === $part->dueDate)>due {{ App\Http\Say::shortDay($part->dueDate) }},
                {{ Ajuste\Core\Money\Money::ofMinor($part->open, $item->takeable->currency)->grouped() }} open</option>
        @endforeach
    </select>
@endif
