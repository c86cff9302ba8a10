@php
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
    $state = fn(int $count, string $of) => $count === 0 ? 'none yet' : Say::count($count, $of);
@endphp
<x-layout title="First steps">
    <div class="pane max-w-3xl">
        <h1>{{ $items === 0 ? 'These books are empty' : 'First steps' }}</h1>
        <p class="lead">Four steps lead to an aged list that ties. Each takes whatever sheet the other system exports; an open list and the balance of the
            control account are enough.</p>
        <ol class="grid gap-5 mt-4">
            <li>
                <h2>1. Accounts <span @class(['tag', 'green' => $control !== null])>{{ $control?->title() ?? $state($accounts, 'account') }}</span></h2>
                <p class="soft">The chart, with the role of each account; roles are proposed by their names. The control account alone will do: without the
                    others nothing can be posted to bank, discounts or tax.</p>
                @if ($writes)
                    <p><a href="{{ route('intake') }}">Hand in the chart</a> · <a href="{{ route('list', 'accounts') }}" data-hotkey="c">Type accounts, take
                            roles <kbd>C</kbd></a></p>
                @endif
            </li>
            <li>
                <h2>2. Customers <span @class(['tag', 'green' => $customers > 0])>{{ $state($customers, 'customer') }}</span></h2>
                <p class="soft">With terms, groups and limits, where there is such a list. Without it the open list makes them: numbers and names, and nothing
                    by which due dates or discounts are known.</p>
                @if ($writes)
                    <p><a href="{{ route('intake') }}">Hand in the customers</a> · <a href="{{ route('list', 'customers') }}">Type them</a></p>
                @endif
            </li>
            <li>
                <h2>3. Open items <span @class(['tag', 'green' => $items > 0])>{{ $state($items, 'item') }}</span></h2>
                <p class="soft">A list of what is open gives balances and ages. The whole history, with its matches, also gives payment habits, measures and
                    loss rates.</p>
                @if ($writes)
                    <p><a href="{{ route('intake') }}">Hand in the open list</a></p>
                @endif
            </li>
            <li>
                <h2>4. The ledger <span @class(['tag', 'green' => $postings > 0])>{{ $state($postings, 'line') }}</span></h2>
                <p class="soft">Its lines give the proof with every cause. With only the balance the items are taken as they stand, and the proof shows the sum
                    that lies between, not the causes.</p>
                @if ($writes)
                    <p><a href="{{ route('intake') }}">Hand in the lines</a></p>
                    @if ($control !== null && $items > 0)
                        <form method="post" action="{{ route('balance.take') }}" class="flex flex-wrap gap-3 items-end mt-2">@csrf
                            <input type="hidden" name="key" value="{{ $key }}">
                            <label class="grid">Only a balance of {{ $control->number }} <input type="text" inputmode="decimal" name="amount"
                                    value="{{ old('amount') }}" required class="w-36 text-right" data-hotkey="b"></label>
                            <label class="grid">Side <select name="side">
                                    <option value="debit">debit</option>
                                    <option value="credit" @selected(old('side') === 'credit')>credit</option>
                                </select></label>
                            <label class="grid">At the end of <x-day name="day" :value="old('day', $asOf)" required /></label>
                            <button class="button main">Take it over <kbd>B</kbd></button>
                        </form>
                    @endif
                @endif
            </li>
        </ol>
    </div>
</x-layout>
