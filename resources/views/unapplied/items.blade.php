@use('App\Http\Say')
@use('Ajuste\Core\Subledger\Side')
<div class="items">
    @foreach ([Side::Credit, Side::Debit] as $side)
        <table class="grid-table table-fixed">
            <colgroup>
                <col>
                <col class="w-36">
                <col class="w-32">
                <col class="w-28">
                <col class="w-24">
            </colgroup>
            <thead>
                <tr>
                    <th scope="col">{{ $side === Side::Credit ? 'Credits' : 'Debits' }}</th>
                    <th scope="col">{{ $side === Side::Credit ? 'Dated' : 'Due' }}</th>
                    <th scope="col" class="n">Open</th>
                    <th scope="col" class="n">Settle</th>
                    <th scope="col" class="n">Leaves</th>
                </tr>
            </thead>
            <tbody>
                @forelse (array_filter($items, fn ($item) => $item->head->side === $side) as $item)
                    <tr data-minor="{{ $item->takeable->minor }}">
                        <td>
                            <label class="inline-flex gap-2 items-center text-ink!">
                                <input type="checkbox" id="tick-{{ $item->id }}" name="tick[{{ $item->id }}]" value="1"
                                    @checked(isset($filled->typed[$item->id]))><span>{{ ucfirst($item->kind->words()) }} <a href="{{ route('document', $item->id) }}"
                                        tabindex="-1">{{ $item->document }}</a></span></label>
                            <x-item-marks :item="$item" :discount="$discounts[$item->id] ?? null" :taken="in_array($item->id, $filled->discounts, true)"
                                :decision="$decisions[$item->id] ?? null" :contested="$contested[$item->id] ?? []"
                                :instalments="$instalments[$item->id] ?? []" :meant="$filled->instalments[$item->id] ?? ''" />
                            @php
                                $others = array_diff($currencies, [$item->takeable->currency->code]);
                                $isOfControl = $item->head->account->controlAccountId === $control->id;
                            @endphp
                            @if ($side === Side::Credit && $isOfControl && $others !== [])
                                <label class="inline-flex gap-1 items-center ml-2 slate">worth in
                                    {{ implode(' or ', array_diff($currencies, [$item->takeable->currency->code])) }} <input type="text" inputmode="decimal"
                                        name="worth[{{ $item->id }}]" value="{{ $filled->worth[$item->id] ?? '' }}"
                                        aria-label="What {{ $item->document }} is worth" class="w-24 text-right h-6!"></label>
                            @endif
                        </td>
                        <td class="soft">{{ Say::shortDay($side === Side::Credit ? $item->date : $item->dueDate) }}@if ($item->head->reference !== '')
                                <span class="slate"> for {{ $item->head->reference }}</span>
                            @endif
                        </td>
                        <td class="n">{{ $item->takeable->grouped() }}@if ($item->takeable->currency->code !== $base->code)
                                <span class="slate">{{ $item->takeable->currency->code }}</span>
                            @endif
                        </td>
                        <td class="n">
                            <input type="text" inputmode="decimal" name="amount[{{ $item->id }}]" value="{{ $filled->typed[$item->id] ?? '' }}"
                                data-ticks="tick-{{ $item->id }}" aria-label="Settle of {{ $item->document }}" class="w-24 text-right h-6!">
                        </td>
                        <td class="n w-20"><span id="leaves-{{ $item->id }}">·</span></td>
                    </tr>
                    @if ($side === Side::Debit && $itemLines !== null)
                        <x-item-lines :item="$item" :lines="$itemLines[$item->document] ?? []" :meant="$filled->lines[$item->id] ?? []" />
                    @endif
                    @empty
                        <tr>
                            <td colspan="5" class="soft">
                                {{ $side === Side::Credit ? 'No credit is open as of this day.' : 'No debit is open as of this day; what is unapplied stays so, or is refunded.' }}
                            </td>
                        </tr>
                    @endforelse
                </tbody>
            </table>
        @endforeach
    </div>
