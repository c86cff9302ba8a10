<td><a href="{{ route('customer', $line->customer->id) }}">{{ $line->customer->number }} {{ $line->customer->name }}</a></td>
<td>
    @if ($line->itemId !== null)
        <a href="{{ route('document', $line->itemId) }}">{{ $line->document }}</a>
    @else
        {{ $line->document }}
    @endif
</td>
<td class="n" data-sort="{{ $line->amount->minor }}">{{ App\Http\Say::balance($line->amount) }} <span
        class="slate">{{ $line->amount->currency->code }}</span></td>
<td class="n font-semibold" data-sort="{{ $line->base->minor }}">{{ App\Http\Say::balance($line->base) }}</td>
