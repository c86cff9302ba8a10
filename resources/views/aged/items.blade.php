@php
    use Ajuste\Core\Aging\Credits;
    use Ajuste\Core\Calendar\Day;
    use App\Http\Say;
@endphp
<x-layout title="{{ $customer->name }}, aged" station="aged">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>{{ $customer->name }}{{ $column === '' ? '' : ', ' . lcfirst(Say::bucket($column)) }}</h1>
        <p class="lead">{{ Say::count(count($rows), 'item') }} as of {{ Say::day($list->asOf) }}, {{ $sum->grouped() }} {{ $base->code }} at carrying
            amount. <a href="{{ route('customer', $customer->id) }}">Customer's page</a></p>
        @if ($list->credits === Credits::OldestFirst)
            <div class="note">On the list credits are set against the oldest debits for show; here each item stands in its own column.</div>
        @endif
        <table class="grid-table" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Document</button>
                    </th>
                    <th scope="col">
                        <button type="button">Dated</button>
                    </th>
                    <th scope="col">
                        <button type="button">Due</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Days late</button>
                    </th>
                    <th scope="col">
                        <button type="button">Column</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Open, {{ $base->code }}</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @foreach ($rows as $row)
                    @php
                        $item = $row->item;
                        $late = Day::between($item->dueDate, $list->asOf);
                    @endphp
                    <tr data-minor="{{ $row->base->minor }}">
                        <td><a href="{{ route('document', $row->itemId) }}">{{ $documents[$row->itemId] ?? $row->itemId }}</a></td>
                        <td data-sort="{{ $item->date }}">{{ Say::day($item->date) }}</td>
                        <td data-sort="{{ $item->dueDate }}">{{ Say::day($item->dueDate) }}</td>
                        <td class="n" data-sort="{{ $late }}">{{ max(0, $late) }}</td>
                        <td>{{ lcfirst(Say::bucket($row->column)) }}</td>
                        <td class="n" data-sort="{{ $row->base->minor }}">{{ $row->base->grouped() }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <x-table-foot name="aged-items" />
        @includeWhen($compared !== null, 'aged.moved')
    </div>
</x-layout>
