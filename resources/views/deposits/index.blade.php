@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Deposits" station="receipts">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Deposits</h1><a class="ml-auto" href="{{ route('receipts') }}">Receipts</a>
        </div>
        @foreach ($figures as $of)
            <p class="lead">Account <a href="{{ route('account', $of->account->number) }}">{{ $of->account->title() }}</a> <b
                    class="text-ink">{{ Say::balance($of->control) }}</b>, customers <b class="text-ink">{{ Say::balance($of->customers) }}</b>, difference <a
                    href="{{ route('proof', ['account' => $of->account->number]) }}"><b class="text-ink">{{ Say::balance($of->difference) }}</b></a>.</p>
        @endforeach
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col">
                        <button type="button">Deposit</button>
                    </th>
                    <th scope="col">
                        <button type="button">Since</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Held</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">In {{ $base->code }}</button>
                    </th>
                    <th scope="col">For the invoice</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($deposits as $deposit)
                    @php $item = $deposit['item']; @endphp
                    <tr data-minor="{{ $item->carried()->minor }}">
                        <td><a href="{{ route('customer', $deposit['customer']->id) }}">{{ $deposit['customer']->number }}
                                {{ $deposit['customer']->name }}</a></td>
                        <td><a href="{{ route('document', $item->id) }}">{{ $item->document }}</a></td>
                        <td class="nowrap" data-sort="{{ $item->date }}">{{ Say::day($item->date) }}</td>
                        <td class="n" data-sort="{{ $item->open->minor }}">{{ $item->open->grouped() }} {{ $item->open->currency->code }}</td>
                        <td class="n" data-sort="{{ $item->carried()->minor }}">{{ $item->carried()->grouped() }}</td>
                        <td>
                            @if ($deposit['invoices'] === 0)
                                <span class="slate">nothing invoiced yet</span>
                            @else
                                <a href="{{ route('unapplied', ['customer' => $deposit['customer']->id]) }}">Match,
                                    {{ Say::count($deposit['invoices'], 'debit') }} open</a>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="6">No deposit is held.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="deposits" sum-of="Held" />
    </div>
</x-layout>
