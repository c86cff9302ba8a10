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
        <table class="grid-table mt-2" data-list @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    @foreach (['Customer', 'Supplier', 'Reference', 'Covers', 'From', 'To', 'Kept by'] as $heading)
                        <th scope="col" data-order="{{ strtolower($heading) }}"><button type="button">{{ $heading }}</button></th>
                    @endforeach
                </tr>
            </thead>
            <tbody id="agreement-rows">
                @fragment('rows')
                    @forelse ($window->rows as $row)
                        <tr>
                            <td><a href="{{ route('customer', $row->customer_id) }}">{{ $row->customer }} {{ $row->name }}</a></td>
                            <td><a href="{{ route('supplier', $row->supplier_id) }}">{{ $row->supplier }}</a></td>
                            <td>{{ $row->reference }} @unless (Agreements::agreement($row)->isInForce($asOf))
                                    <span class="tag">not in force</span>
                                @endunless
                            </td>
                            <td>{{ $row->scope === 'due' ? 'due items' : 'all items' }}, {{ $row->currency }}</td>
                            <td class="nowrap" data-sort="{{ $row->from_date }}">{{ Say::day($row->from_date) }}</td>
                            <td class="nowrap" data-sort="{{ $row->to_date }}" data-copy="{{ Say::day($row->to_date) }}">{{ Say::day($row->to_date) }}
                                @if ($writes && $row->to_date === '')
                                    <details>
                                        <summary class="inline list-none cursor-pointer slate underline">end it<span class="visually-hidden">,
                                                {{ $row->reference }}</span></summary>
                                        <form method="post" action="{{ route('agreement.end') }}" class="flex flex-wrap gap-2 items-end">@csrf
                                            <input type="hidden" name="key" value="{{ $key }}-e{{ $row->id }}">
                                            <input type="hidden" name="agreement" value="{{ $row->id }}">
                                            <label>Last day <x-day name="last" :value="$asOf" required /></label>
                                            <button class="button py-0.5!">End</button>
                                        </form>
                                    </details>
                                @endif
                            </td>
                            <td class="slate">{{ $row->who }}</td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="7">{{ $none }}</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
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
        @endif
    </aside>
</x-layout>
