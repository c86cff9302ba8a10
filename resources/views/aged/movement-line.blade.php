@php
    use App\Http\Say;
    $at = array_filter(['from' => $from, 'group' => $group], static fn($value) => $value !== null);
@endphp
<x-layout title="{{ $line->line->words() }}" station="aged" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('movement', ['from' => $from]) }}">Movement</a></p>
        <h1>{{ $line->line->words() }}</h1>
        <p class="lead">{{ Say::day($from) }} to {{ Say::day($asOf) }}{{ $group === null ? '' : ', group ' . ($group === '' ? 'none' : $group) }}.
            An item that takes another back counts as what it takes back.</p>
        <div class="flex flex-wrap gap-2 items-center">
            <x-filter />
            <a @class(['tag', 'green' => $kind === '']) href="{{ route('movement.line', [$line->line->value, ...$at]) }}">all</a>
            @foreach ($line->parts as $part)
                <a @class(['tag', 'green' => $kind === $part->name()])
                    href="{{ route('movement.line', [$line->line->value, ...$at, 'kind' => $part->name()]) }}">{{ $part->words() }}</a>
            @endforeach
        </div>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="document">
                        <button type="button">Document</button>
                    </th>
                    <th scope="col" data-order="customer">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col" data-order="date">
                        <button type="button">Date</button>
                    </th>
                    <th scope="col" class="n" data-sum data-order="amount">
                        <button type="button">In {{ $base->code }}</button>
                    </th>
                </tr>
            </thead>
            <tbody id="moved-rows">
                @fragment('rows')
                    @forelse ($window->rows as $item)
                        <tr data-minor="{{ $item->base->minor }}">
                            <td><a href="{{ route('document', $item->itemId) }}">{{ ucfirst($item->kind->words()) }} {{ $item->document }}</a></td>
                            <td><a href="{{ route('customer', $item->customerId) }}">{{ $item->customer }}</a></td>
                            <td class="nowrap" data-sort="{{ $item->date }}">{{ Say::shortDay($item->date) }}</td>
                            <td class="n" data-sort="{{ $item->base->minor }}">{{ Say::balance($item->base) }}</td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="4">No item.</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="movement-{{ $line->line->value }}" sum-of="In {{ $base->code }}" />
    </div>
    <aside class="pane worktop" aria-label="From customers to the ledger">
        @if ($group === null)
            <h2 class="title">From customers to the ledger</h2>
            <table class="grid-table">
                <tbody>
                    <tr class="font-semibold">
                        <td>Customers</td>
                        <td class="n">{{ Say::balance($figures->customers) }}</td>
                    </tr>
                    @foreach ($figures->causes() as $cause)
                        <tr>
                            <td><a href="{{ route('proof', ['line' => $cause->line->key()]) }}">{{ $cause->title() }}</a></td>
                            <td class="n">{{ Say::balance($cause->difference) }}</td>
                        </tr>
                    @endforeach
                    <tr class="font-semibold">
                        <td>Control account</td>
                        <td class="n">{{ Say::balance($figures->ledger) }}</td>
                    </tr>
                </tbody>
            </table>
        @else
            <h2 class="title">Customers only</h2>
            <p class="lead">The ledger knows no groups of customers.</p>
        @endif
    </aside>
</x-layout>
