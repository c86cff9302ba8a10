@php
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite() && $of->sentAt === null;
    $late = $of->sentAt === null ? $of->toldLate($days) : [];
@endphp
<x-layout title="Collection {{ $of->message() }}" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Collection {{ $of->message() }}</h1><a class="ml-auto" href="{{ route('direct-debits') }}">Direct debits</a>
        </div>
        <p class="lead">{{ Say::count(count($of->debits), 'debit') }} on {{ Say::day($of->day) }} to {{ $of->account->title() }}, prepared by
            {{ $of->who }}.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="2">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col">
                        <button type="button">Mandate</button>
                    </th>
                    <th scope="col">
                        <button type="button">Pays</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Amount</button>
                    </th>
                    <th scope="col">
                        <button type="button">State</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @foreach ($of->debits as $debit)
                    <tr data-minor="{{ $debit->amount()->minor }}">
                        <td><a href="{{ route('customer', $debit->of->customer->id) }}">{{ $debit->of->customer->name }}</a></td>
                        <td>{{ $debit->of->mandate->reference }} <span class="slate">{{ $debit->of->mandate->scheme->value }},
                                {{ Say::iban($debit->of->mandate->iban) }}</span></td>
                        <td>
                            @foreach ($debit->items as $item)
                                <a href="{{ route('document', $item->itemId) }}">{{ $item->document }}</a>
                                @if ($item->discount->isPositive())
                                    <span class="slate">less discount {{ $item->discount->grouped() }}</span>
                                @endif
                            @endforeach
                        </td>
                        <td class="n" data-sort="{{ $debit->amount()->minor }}">{{ $debit->amount()->grouped() }}</td>
                        <td><span @class([
                            'tag',
                            'green' => $debit->refused === '' && $debit->returned === null,
                            'ochre' => ($debit->refused ?? '') !== '' || $debit->returned !== null,
                        ])>{{ $debit->state() }}</span></td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <x-table-foot name="collection" sum-of="Amount" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What is next">
        @if ($of->sentAt)
            <h2 class="title">With the bank</h2>
            <p class="lead">Sent {{ Say::moment($of->sentAt) }}. What the bank took, {{ $of->sum()->grouped() }}, is posted as receipts of
                {{ Say::day($of->day) }}; its statement confirms each sum. A debit that comes back is shown among the receipts to place.</p>
            <p><a href="{{ route('collection.file', [$of->id, 'order']) }}" hx-boost="false">The order (pain.008)</a>,
                <a href="{{ route('collection.file', [$of->id, 'answer']) }}" hx-boost="false">the bank's answer (pain.002)</a>
                @foreach ($batches as $batch => $name)
                    , <a href="{{ route('batches', ['batch' => $batch]) }}">batch {{ $name }}</a>
                @endforeach
            </p>
        @elseif ($writes)
            @include('direct-debits.next')
        @else
            <h2 class="title">Prepared</h2>
            <p class="lead">A reader can look at everything and send nothing.</p>
        @endif
    </aside>
</x-layout>
