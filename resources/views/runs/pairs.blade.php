@use('App\Http\PairWorktop')
@use('App\Http\RunLines')
<div class="mt-5" x-data="grid">
    <div class="flex items-baseline gap-4">
        <h2>Pair by pair</h2>
        @unless ($window->isEmpty)
            <div class="ml-auto"><x-filter list="pairs" /></div>
        @endunless
    </div>
    <table class="grid-table" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window="pairs" @endif>
        <thead>
            <tr>
                <th scope="col" data-order="party"><button type="button">Party</button></th>
                <th scope="col" data-order="agreement"><button type="button">Agreement</button></th>
                <th scope="col" class="n" data-order="amount"><button type="button">Set off</button></th>
                <th scope="col" data-order="bills"><button type="button">Bills</button></th>
            </tr>
        </thead>
        <tbody id="pairs-rows">
            @fragment('pairs-rows')
                @forelse ($window->rows as $of)
                    @php $address = route('contra', ['pair' => PairWorktop::name($of->party)]); @endphp
                    <tr data-minor="{{ $of->carried()->minor }}" @class(['current' => $pair && $name === PairWorktop::name($of->party)])>
                        <td><a href="{{ $address }}" hx-get="{{ $address }}" hx-target="#worktop" hx-swap="outerHTML"
                                hx-push-url="true">{{ RunLines::party($of) }}</a></td>
                        <td class="soft">{{ $of->agreement->reference }}</td>
                        <td class="n font-semibold" data-sort="{{ $of->amount()->minor }}">{{ $of->amount()->grouped() }}
                            @if (!$of->amount()->isIn($base))
                                <span class="slate">{{ $of->party->currency->code }}</span>
                            @endif
                        </td>
                        <td class="soft">{{ RunLines::bills($of) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="4">No pair can be set off as of this day.</td>
                    </tr>
                @endforelse
                <x-more-rows :from="$window->next" :total="$window->count" list="pairs" :scrolls="false" />
            @endfragment
        </tbody>
    </table>
    @unless ($window->isEmpty)
        <x-table-foot name="contra-pairs" sum-of="Set off" />
    @endunless
</div>
