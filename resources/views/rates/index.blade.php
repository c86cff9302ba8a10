@php
    use Ajuste\Core\Money\Quote;
    use App\Http\Say;
@endphp
<x-layout title="Rates" station="currency" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('currency') }}">Currency</a></p>
        <h1>Exchange rates</h1>
        <p class="lead">As they were quoted. One that is quoted in units per {{ $base->code }} is divided by.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="day">
                        <button type="button">Day</button>
                    </th>
                    <th scope="col" data-order="currency">
                        <button type="button">Currency</button>
                    </th>
                    <th scope="col" class="n" data-order="rate">
                        <button type="button">Rate</button>
                    </th>
                    <th scope="col" data-order="quoted">
                        <button type="button">Quoted</button>
                    </th>
                    <th scope="col" data-order="from">
                        <button type="button">From</button>
                    </th>
                </tr>
            </thead>
            <tbody id="rate-rows">
                @fragment('rows')
                    @forelse ($window->rows as $rate)
                        <tr>
                            <td data-sort="{{ $rate->date }}">{{ Say::day($rate->date) }}</td>
                            <td>{{ $rate->currency }}</td>
                            <td class="n" data-sort="{{ $rate->rate }}">{{ $rate->rate }}</td>
                            <td>{{ $rate->quoted === Quote::BasePerUnit->value ? "{$base->code} per unit" : "units per {$base->code}" }}</td>
                            <td class="soft">{{ $rate->source }}</td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="5">{{ $none }}</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="rates" />
    </div>
    @if (Auth::user()->role->mayWrite())
        <aside class="pane worktop" id="worktop" aria-label="A rate">
            <h2 class="title">Type a rate</h2>
            <form method="post" action="{{ route('rates.post') }}" class="grid gap-2">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">Day <x-day name="date" :value="old('date', $date)" /></label>
                <label class="grid">Currency <input type="text" name="currency" value="{{ old('currency') }}" maxlength="3" required class="w-24"
                        data-hotkey="b"></label>
                <label class="grid">Rate <input type="text" inputmode="decimal" name="rate" value="{{ old('rate') }}" required class="w-40 text-right"></label>
                <label class="grid">Quoted <select name="quoted">
                        <option value="{{ Quote::BasePerUnit->value }}">{{ $base->code }} per unit</option>
                        <option value="{{ Quote::UnitPerBase->value }}" @selected(old('quoted') === Quote::UnitPerBase->value)>units per {{ $base->code }}</option>
                    </select></label>
                <label class="grid">Where it comes from <input type="text" name="reason" value="{{ old('reason') }}" required></label>
                <label><input type="checkbox" name="meant" value="1"> it is meant, though far from the last one</label>
                <div class="foot"><button class="button main ml-auto" data-main>Keep the rate <kbd>Ctrl ↵</kbd></button></div>
            </form>
            <h2>From the simulated source</h2>
            <form method="post" action="{{ route('rates.fetch') }}" class="flex gap-2 items-end">@csrf
                <label class="grid">Day <x-day name="date" :value="$date" /></label>
                <button class="button">Fetch the rates of the day</button>
            </form>
        </aside>
    @endif
</x-layout>
