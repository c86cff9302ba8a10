@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Journals" class="halves">
    <div class="pane" x-data="grid">
        <h1>Journals</h1>
        <p class="lead">What Ajuste has posted. A voucher counts as an own voucher until a ledger file brings it back.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="number">
                        <button type="button">Voucher</button>
                    </th>
                    <th scope="col" data-order="date">
                        <button type="button">Date</button>
                    </th>
                    <th scope="col" data-order="text">
                        <button type="button">Text</button>
                    </th>
                    <th scope="col" class="n" data-order="amount">
                        <button type="button">Amount</button>
                    </th>
                    <th scope="col" data-order="who">
                        <button type="button">Posted by</button>
                    </th>
                    <th scope="col" data-order="state">
                        <button type="button">Into the ledger</button>
                    </th>
                </tr>
            </thead>
            <tbody id="voucher-rows">
                @fragment('rows')
                    @forelse ($window->rows as $voucher)
                        <tr data-minor="{{ $voucher->total }}">
                            <td><a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a></td>
                            <td class="nowrap" data-sort="{{ $voucher->date }}">{{ Say::day($voucher->date) }}</td>
                            <td>{{ $voucher->text }}</td>
                            <td class="n" data-sort="{{ $voucher->total }}">{{ Money::ofMinor($voucher->total, $base)->grouped() }}</td>
                            <td class="soft">{{ $voucher->who }}</td>
                            <td><span @class([
                                'tag',
                                'green' => $voucher->state === 'taken over',
                                'ochre' => $voucher->state === 'not brought back',
                            ])>{{ $voucher->state }}</span></td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="6">{{ $none }}</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="journals" />
    </div>
    <aside class="pane worktop" aria-label="Exports">
        <h2 class="title">For the accounting system</h2>
        <p class="lead">Journals, and both sides of the customers' ledger. When the next files bring them back, they confirm themselves and nothing is counted
            twice.</p>
        @if (Auth::user()->role->mayWrite())
            @foreach ([
        'journals' => 'Journals',
        'items' => 'New items',
        'matches' => 'New matches',
        'supplier_items' => 'Contras, suppliers',
        'supplier_matches' => 'Bills set off',
    ] as $what => $name)
                <form method="post" action="{{ route('journals.export', $what) }}" hx-boost="false" class="flex gap-3 items-center py-1">@csrf
                    <span class="w-36">{{ $name }}</span>
                    <label>since <x-day name="since" /></label>
                    <button class="button">CSV</button>
                </form>
            @endforeach
        @endif
        <p class="soft mt-4">{{ $settlements === 1 ? '1 match was' : number_format($settlements) . ' matches were' }} posted here.</p>
    </aside>
</x-layout>
