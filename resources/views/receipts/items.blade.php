@use('App\Http\Say')
<div class="items">
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">
                    <button type="button">Item</button>
                </th>
                <th scope="col">
                    <button type="button">Due</button>
                </th>
                <th scope="col" class="n">
                    <button type="button">Open</button>
                </th>
                <th scope="col" class="n">Settle</th>
                <th scope="col" class="n">Leaves</th>
            </tr>
        </thead>
        <tbody>
            @forelse ($items as $item)
                <tr data-minor="{{ $item->takeable->minor }}">
                    <td>
                        <label class="inline-flex gap-2 items-center text-ink!">
                            <input type="checkbox" id="tick-{{ $item->id }}" name="tick[{{ $item->id }}]" value="1"
                                @checked(isset($filled->typed[$item->id]))><span>{{ ucfirst($item->kind->words()) }}
                                <a href="{{ route('document', $item->id) }}" tabindex="-1">{{ $item->document }}</a></span></label>
                        <x-item-marks :item="$item" :discount="$discounts[$item->id] ?? null" :taken="in_array($item->id, $filled->discounts, true)"
                            :offered="isset($offers[$item->id])" :decision="$decisions[$item->id] ?? null" :contested="$contested[$item->id] ?? []"
                                :instalments="$instalments[$item->id] ?? []" :meant="$filled->instalments[$item->id] ?? ''" />
                    </td>
                    <td class="nowrap soft" data-sort="{{ $item->dueDate }}">{{ Say::shortDay($item->dueDate) }}</td>
                    <td class="n" data-sort="{{ $item->takeable->minor }}">
                        {{ $item->takeable->grouped() }}{{ $item->isDebit() ? '' : ' Cr' }}</td>
                    <td class="n">
                        <input type="text" inputmode="decimal" name="amount[{{ $item->id }}]" value="{{ $filled->typed[$item->id] ?? '' }}"
                            data-ticks="tick-{{ $item->id }}" aria-label="Settle of {{ $item->document }}" class="w-24 text-right h-6!">
                    </td>
                    <td class="n"><span id="leaves-{{ $item->id }}">·</span></td>
                </tr>
                @if (isset($filled->typed[$item->id]))
                    <x-item-lines :item="$item" :lines="$itemLines[$item->document] ?? []" :meant="$filled->lines[$item->id] ?? []" />
                @endif
            @empty
                <tr>
                    <td colspan="5" class="soft">Nothing is open in
                        {{ $filled->currency !== '' ? $filled->currency : $line->amount->currency->code }}; the receipt stays unapplied on the customer, or
                        is a deposit.</td>
                </tr>
            @endforelse
        </tbody>
    </table>
</div>
