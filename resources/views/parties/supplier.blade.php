@php
    use App\Http\Say;
    use App\Queries\Agreements;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="{{ $supplier->name }}" station="contra" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('suppliers') }}">Suppliers</a></p>
        <h1>{{ $supplier->name }}</h1>
        <p class="lead">Supplier {{ $supplier->supplier }}{{ $supplier->account === null ? '' : ", carried on {$supplier->account}" }}{{ $supplier->iban === ''
            ? ''
            : ', ' . Say::iban($supplier->iban) }}.</p>
        @if ($refusal !== '')
            <div class="note bad" role="alert">{{ $refusal }}</div>
        @endif
        <h2>Open as of {{ Say::day($asOf) }}</h2>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col"><button type="button">Document</button></th>
                    <th scope="col"><button type="button">Dated</button></th>
                    <th scope="col"><button type="button">Due</button></th>
                    <th scope="col" class="n"><button type="button">Open</button></th>
                    <th scope="col" class="n"><button type="button">In {{ $base->code }}</button></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($bills as $bill)
                    <tr data-minor="{{ $bill->owedOn($asOf)->minor }}">
                        <td>{{ $bill->isCredit ? 'Credit' : 'Bill' }} {{ $bill->document }} @if ($bill->blocked)
                                <span class="tag ochre">blocked</span>
                            @endif
                        </td>
                        <td data-sort="{{ $bill->date }}">{{ Say::day($bill->date) }}</td>
                        <td data-sort="{{ $bill->dueDate }}">{{ Say::day($bill->dueDate) }}</td>
                        <td class="n" data-sort="{{ $bill->open->minor }}">{{ $bill->open->grouped() }}
                            <span class="slate">{{ $bill->open->currency->code }}</span></td>
                        <td class="n" data-sort="{{ $bill->owedOn($asOf)->minor }}">{{ Say::balance($bill->owedOn($asOf)->negated()) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">Nothing is owed as of this day.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="supplier" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The same party as a customer">
        <h2 class="title">The same party as</h2>
        @forelse ($pairs as $pair)
            <form method="post" action="{{ route('parties.part') }}" class="flex flex-wrap gap-2 items-end mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}-p{{ $pair->customer_id }}">
                <input type="hidden" name="customer" value="{{ $pair->customer }}">
                <input type="hidden" name="supplier" value="{{ $pair->supplier }}">
                <a class="grow" href="{{ route('customer', $pair->customer_id) }}">Customer {{ $pair->customer }} {{ $pair->name }}</a>
                @if ($writes)
                    <label>They are not, because <input type="text" name="reason" required class="w-40"></label>
                    <button class="button py-0.5!">Part {{ $pair->customer }}</button>
                @endif
            </form>
        @empty
            <p>No customer is linked with it.</p>
        @endforelse
        @if ($writes)
            <h2>Link a customer</h2>
            <form method="post" action="{{ route('parties.link') }}" class="flex flex-wrap gap-3 items-end">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="supplier" value="{{ $supplier->supplier }}">
                <label class="grid">Customer <input type="text" name="customer" value="{{ old('customer') }}" required class="w-28"
                        data-hotkey="b"></label>
                <label class="grid grow">Because <input type="text" name="reason" value="{{ old('reason') }}" required class="w-full"></label>
                <button class="button main" data-main>Link <kbd>Ctrl ↵</kbd></button>
            </form>
        @endif
        <h2>Agreements</h2>
        @forelse ($agreements as $row)
            <p>{{ $row->reference }} with {{ $row->customer }}: {{ $row->scope === 'due' ? 'due items' : 'all items' }} in {{ $row->currency }}, from
                {{ Say::day($row->from_date) }}{{ $row->to_date === '' ? '' : ' to ' . Say::day($row->to_date) }}@unless (Agreements::agreement($row)->isInForce($asOf))
                    <span class="tag">not in force</span>
                @endunless
            </p>
        @empty
            <p>None. <a href="{{ route('agreements') }}">Type one</a>.</p>
        @endforelse
        <x-notes :subject="'supplier ' . $supplier->id" />
        <x-questions :subject="'supplier ' . $supplier->id" />
    </aside>
</x-layout>
