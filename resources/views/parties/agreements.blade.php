@php
    use App\Http\Say;
    use App\Queries\Agreements;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Agreements" station="contra" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('contra') }}">Contra</a> · <a href="{{ route('suppliers') }}">Suppliers</a></p>
        <h1>Agreements on setting off</h1>
        <p class="lead">Nothing is set off without one that is in force: an enforceable right, and the intention to use it.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    @foreach (['Customer', 'Supplier', 'Reference', 'Covers', 'From', 'To', 'Kept by'] as $heading)
                        <th scope="col"><button type="button">{{ $heading }}</button></th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @forelse ($agreements as $row)
                    <tr>
                        <td><a href="{{ route('customer', $row->customer_id) }}">{{ $row->customer }} {{ $row->name }}</a></td>
                        <td><a href="{{ route('supplier', $row->supplier_id) }}">{{ $row->supplier }}</a></td>
                        <td>{{ $row->reference }} @unless (Agreements::agreement($row)->isInForce($asOf))
                                <span class="tag">not in force</span>
                            @endunless
                        </td>
                        <td>{{ $row->scope === 'due' ? 'due items' : 'all items' }}, {{ $row->currency }}</td>
                        <td data-sort="{{ $row->from_date }}">{{ Say::day($row->from_date) }}</td>
                        <td data-sort="{{ $row->to_date }}">{{ Say::day($row->to_date) }}</td>
                        <td class="slate">{{ $row->who }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="7">No agreement yet. Hand in agreements.csv, or type one.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="agreements" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Agreements and parties">
        @if ($writes)
            <h2 class="title">A new agreement</h2>
            <form method="post" action="{{ route('agreements.post') }}" class="flex flex-wrap gap-3 items-end">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">Customer <input type="text" name="customer" value="{{ old('customer') }}" required class="w-28"
                        data-hotkey="b"></label>
                <label class="grid">Supplier <input type="text" name="supplier" value="{{ old('supplier') }}" required class="w-28"></label>
                <label class="grid">Reference <input type="text" name="reference" value="{{ old('reference') }}" required class="w-40"></label>
                <label class="grid">Currency <input type="text" name="currency" value="{{ old('currency', $base->code) }}" maxlength="3" required
                        class="w-20"></label>
                <label class="grid">Covers <select name="scope">
                        <option value="due">due items only</option>
                        <option value="all" @selected(old('scope') === 'all')>all items</option>
                    </select></label>
                <label class="grid">From <x-day name="from" :value="old('from', $asOf)" required /></label>
                <label class="grid">To, if it ends <x-day name="to" :value="old('to')" /></label>
                <button class="button main" data-main>Keep <kbd>Ctrl ↵</kbd></button>
            </form>
            @include('parties.likely')
            <h2>End one</h2>
            <form method="post" action="{{ route('agreement.end') }}" class="flex flex-wrap gap-3 items-end">@csrf
                <input type="hidden" name="key" value="{{ $key }}-end">
                <label class="grid grow">Agreement <select name="agreement" data-hotkey="e">
                        @foreach ($agreements as $row)
                            @if ($row->to_date === '')
                                <option value="{{ $row->id }}">{{ $row->reference }} {{ $row->currency }}, {{ $row->customer }} {{ $row->name }}</option>
                            @endif
                        @endforeach
                    </select></label>
                <label class="grid">Last day <x-day name="last" :value="$asOf" required /></label>
                <button class="button">End</button>
            </form>
        @endif
    </aside>
</x-layout>
