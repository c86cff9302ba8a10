{{-- The documents of one row, under it; they count in no sum of the list. --}}
@foreach ($documents as $of)
    <tr class="slate opened" data-of="{{ $of->row->customer }} {{ $of->row->currency }}">
        <td class="pl-8!"><a href="{{ route('document', $of->itemId) }}">{{ $of->document }}</a></td>
        <td data-skip="1"></td>
        @foreach ($of->row->amounts as $amount)
            <td class="n">{{ $amount === 0 ? '' : Ajuste\Core\Money\Money::ofMinor($amount, $base)->grouped() }}</td>
        @endforeach
        <td class="n">{{ $of->row->unapplied === 0 ? '' : Ajuste\Core\Money\Money::ofMinor($of->row->unapplied, $base)->grouped() }}</td>
        <td class="n">{{ Ajuste\Core\Money\Money::ofMinor($of->row->total, $base)->grouped() }}</td>
        @if ($compared !== null)
            <td></td>
        @endif
    </tr>
@endforeach
