@use('App\Http\Say')
<table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col">
                <button type="button">Customer</button>
            </th>
            <th scope="col" data-skip="1">Age</th>
            @foreach ($list->buckets->labels as $label)
                <th scope="col" class="n">
                    <button type="button">{{ $words($label) }}</button>
                </th>
            @endforeach
            <th scope="col" class="n">
                <button type="button">Unapplied</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Total</button>
            </th>
        </tr>
    </thead>
    <tbody>
        @forelse ($shown as $row)
            @php
                $of = ['customer' => $ids[$row->customer], 'currency' => $row->currency, ...$asked];
                $open = fn(string $column) => route('aged.items', [...$of, 'column' => $column]);
            @endphp
            <tr data-minor="{{ $row->total }}">
                <td class="nowrap"><a href="{{ $open('') }}">{{ $row->name }}</a>
                    @if ($row->currency !== $base->code)
                        <span class="slate">{{ $row->currency }}</span>
                    @endif
                </td>
                <td data-skip="1"><x-svg.age-strip :row="$row" /></td>
                @foreach ($row->amounts as $column => $amount)
                    <td class="n" data-sort="{{ $amount }}" data-copy="{{ $money($amount)->decimal() }}">
                        @if ($amount === 0)
                            <span class="slate">·</span>
                        @else
                            <a href="{{ $open($list->buckets->labels[$column]) }}">{{ $cell($amount) }}</a>
                        @endif
                    </td>
                @endforeach
                <td class="n" data-sort="{{ $row->unapplied }}" data-copy="{{ $money($row->unapplied)->decimal() }}">
                    @if ($row->unapplied === 0)
                        <span class="slate">·</span>
                    @else
                        <a href="{{ $open('unapplied') }}">{{ $cell($row->unapplied) }}</a>
                    @endif
                </td>
                <td class="n font-semibold" data-sort="{{ $row->total }}" data-copy="{{ $money($row->total)->decimal() }}">
                    {{ $money($row->total)->grouped() }}</td>
            </tr>
        @empty
            <tr>
                <td colspan="{{ count($list->buckets->labels) + 4 }}">Nothing is open as of this day.</td>
            </tr>
        @endforelse
    </tbody>
    <tfoot>
        <tr>
            <td>{{ Say::count(count($list->rows), 'row') }}</td>
            <td data-skip="1"></td>
            @foreach ($list->totals->amounts as $amount)
                <td class="n">{{ $cell($amount) }}</td>
            @endforeach
            <td class="n">
                {{ $cell($list->totals->unapplied) }}</td>
            <td class="n">{{ $money($list->totals->total)->grouped() }}</td>
        </tr>
    </tfoot>
</table>
