@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Run {{ $run->id }}" :station="$kind->path()" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route($kind->path()) }}">{{ ucfirst($kind->words()) }}</a></p>
        <h1>Run {{ $run->id }}, {{ Say::count($taken, 'line') }} taken</h1>
        <p class="lead">{{ ucfirst($kind->words()) }} as of {{ Say::day($run->as_of) }}, {{ Money::ofMinor($run->total, $base)->grouped() }}
            {{ $base->code }}. {{ ucfirst($run->policy) }}. Posted {{ Say::moment($run->recorded_at) }} by {{ $run->who }}. @if ($reversed)
                <span class="tag ochre">taken back: {{ $reversed->reason }}</span>
            @endif
        </p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="state">
                        <button type="button">State</button>
                    </th>
                    <th scope="col" data-order="customer">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col" data-order="document">
                        <button type="button">Document</button>
                    </th>
                    <th scope="col" class="n" data-order="amount">
                        <button type="button">Amount</button>
                    </th>
                    <th scope="col" class="n" data-sum data-order="base">
                        <button type="button">In {{ $base->code }}</button>
                    </th>
                    <th scope="col">
                        <button type="button">Why</button>
                    </th>
                </tr>
            </thead>
            <tbody id="run-rows">
                @fragment('rows')
                    @foreach ($window->rows as $row)
                        <tr data-minor="{{ $row->base }}">
                            <td><span @class(['tag', 'green' => $row->state === 'taken', 'ochre' => $row->state === 'near miss'])>{{ $row->state }}</span></td>
                            <td>
                                @if ($row->customerId !== null)
                                    <a href="{{ route('customer', $row->customerId) }}">{{ $row->customer }}</a>
                                @endif
                            </td>
                            <td>
                                @if ($row->itemId !== null)
                                    <a href="{{ route('document', $row->itemId) }}">{{ $row->document }}</a>
                                @else
                                    {{ $row->document }}
                                @endif
                            </td>
                            <td class="n" data-sort="{{ $row->amount->minor }}">{{ $row->amount->grouped() }} <span
                                    class="slate">{{ $row->amount->currency->code }}</span></td>
                            <td class="n font-semibold" data-sort="{{ $row->base }}">{{ Money::ofMinor($row->base, $base)->grouped() }}</td>
                            <td class="soft">{{ $row->why }}</td>
                        </tr>
                    @endforeach
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="run-{{ $run->id }}" sum-of="In {{ $base->code }}" />
    </div>
    <aside class="pane worktop" aria-label="Vouchers of the run">
        <h2 class="title">{{ Say::count(count($vouchers), 'voucher') }}</h2>
        <table class="grid-table">
            <tbody>
                @foreach ($vouchers as $voucher)
                    <tr>
                        <td><a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a></td>
                        <td class="nowrap">{{ Say::shortDay($voucher->date) }}</td>
                        <td class="soft">{{ $voucher->text }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @if (count($vouchers) === $most)
            <p class="slate">The first {{ $most }}. Each document and each line of the journals opens its own.</p>
        @endif
    </aside>
</x-layout>
