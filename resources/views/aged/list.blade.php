@use('Ajuste\Core\Aging\AgedBy')
@use('App\Http\Say')
<table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
    <thead>
        <tr>
            <th scope="col" data-order="name">
                <button type="button">{{ $by->namesCustomers() ? 'Customer' : ucfirst($by->words()) }}</button>
            </th>
            @if ($by === AgedBy::Document)
                <th scope="col" data-order="document"><button type="button">Document</button></th>
            @endif
            @if ($by !== AgedBy::Document)
                <th scope="col" data-skip="1">Age</th>
            @endif
            @foreach ($list->buckets->labels as $label)
                <th scope="col" class="n" data-sum data-order="{{ $label }}">
                    <button type="button">{{ Say::bucket($label) }}</button>
                </th>
            @endforeach
            <th scope="col" class="n" data-sum data-order="unapplied">
                <button type="button">Unapplied</button>
            </th>
            <th scope="col" class="n" data-sum data-order="total">
                <button type="button">Total</button>
            </th>
            @if ($compared !== null)
                <th scope="col" class="n" data-sum data-order="change"><button type="button">Since {{ Say::shortDay($compared) }}</button></th>
            @endif
        </tr>
    </thead>
    <tbody id="aged-rows">
        @fragment('rows')
        @forelse ($window->rows as $each)
            @php
                $row = $each->row;
                $of = ['customer' => $ids[$row->customer] ?? 0, 'currency' => $row->currency, ...$asked];
                $address = $row->customer === '' ? '' : route('aged.items', [...$of, 'column' => '']);
                $open = fn(string $column) => $address . $column;
            @endphp
            <tr data-minor="{{ $row->total }}">
                <td @class(['nowrap' => $by !== AgedBy::Document])>
                    @if ($row->customer === '')
                        @if ($each->account !== null)
                            <a href="{{ route('aged', ['account' => $each->account->number, ...array_diff_key($asked, ['by' => 0])]) }}">{{ $row->name }}</a>
                        @else
                            {{ $row->name === '' ? 'none' : $row->name }}
                        @endif
                    @else
                        @if ($by === AgedBy::Customer)
                            <button type="button" class="opens" data-opens="{{ route('aged.documents', $of) }}"
                                aria-expanded="{{ $opened === [] ? 'false' : 'true' }}" aria-label="Documents of {{ $row->customer }}"></button>
                        @endif
                        <a href="{{ $open('') }}">{{ $row->customer }} {{ $row->name }}</a>
                    @endif
                    @if ($row->currency !== $base->code)
                        <span class="slate">{{ $row->currency }}</span>
                    @endif
                    @include('aged.said')
                </td>
                @if ($by === AgedBy::Document)
                    <td><a href="{{ route('document', $each->itemId) }}">{{ $each->document }}</a></td>
                @endif
                @if ($by !== AgedBy::Document)
                    <td data-skip="1"><x-svg.age-strip :row="$row" /></td>
                @endif
                @foreach ($row->amounts as $column => $amount)
                    <td class="n" data-sort="{{ $amount }}" data-copy="{{ $money($amount)->decimal() }}">
                        @if ($amount === 0)
                            <span class="slate">·</span>
                        @elseif ($row->customer === '')
                            {{ $cell($amount) }}
                        @else
                            <a href="{{ $open($list->buckets->labels[$column]) }}">{{ $cell($amount) }}</a>
                        @endif
                    </td>
                @endforeach
                <td class="n" data-sort="{{ $row->unapplied }}" data-copy="{{ $money($row->unapplied)->decimal() }}">
                    @if ($row->unapplied === 0)
                        <span class="slate">·</span>
                    @elseif ($row->customer === '')
                        {{ $cell($row->unapplied) }}
                    @else
                        <a href="{{ $open('unapplied') }}">{{ $cell($row->unapplied) }}</a>
                    @endif
                </td>
                <td class="n font-semibold" data-sort="{{ $row->total }}" data-copy="{{ $money($row->total)->decimal() }}">
                    {{ $money($row->total)->grouped() }}</td>
                @if ($compared !== null)
                    <td class="n" data-sort="{{ $each->change?->total ?? 0 }}">{{ $each->change === null ? '' : $cell($each->change->total) }}</td>
                @endif
            </tr>
            @includeWhen($opened !== [], 'aged.documents', ['documents' => $opened["{$row->customer} {$row->currency}"] ?? []])
        @empty
            <tr>
                <td colspan="{{ count($list->buckets->labels) + 6 }}">Nothing is open as of this day.</td>
            </tr>
        @endforelse
        <x-more-rows :from="$window->next" :total="$window->count" />
        @endfragment
    </tbody>
    <tfoot>
        <tr>
            <td>{{ Say::count($window->count, 'row') }}</td>
            <td data-skip="1"></td>
            @foreach ($list->totals->amounts as $amount)
                <td class="n">{{ $cell($amount) }}</td>
            @endforeach
            <td class="n">
                {{ $cell($list->totals->unapplied) }}</td>
            <td class="n">{{ $money($list->totals->total)->grouped() }}</td>
            @if ($compared !== null)
                <td></td>
            @endif
        </tr>
    </tfoot>
</table>
