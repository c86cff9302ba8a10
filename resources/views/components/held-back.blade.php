@props(['entries', 'reasons', 'items', 'open' => false])
<details class="kept mt-2" data-hotkey="h" @if ($open || $entries !== []) open @endif>
    <summary class="cursor-pointer soft">Deducted because <kbd>H</kbd></summary>
    @if ($reasons === [])
        <p class="slate">The books list no reasons for deductions yet. <a href="{{ route('settings') }}">Add them under Settings.</a></p>
    @else
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Reason</th>
                    <th scope="col">Of</th>
                    <th scope="col" class="n">Amount</th>
                </tr>
            </thead>
            <tbody>
                @foreach ([...$entries, ...array_fill(0, max(1, 3 - count($entries)), null)] as $place => $entry)
                    <tr>
                        <td>
                            <select name="kept_code[{{ $place }}]" aria-label="Reason {{ $place + 1 }}" class="w-56">
                                <option value=""></option>
                                @foreach ($reasons as $reason)
                                    <option value="{{ $reason->code }}" @selected(($entry['code'] ?? '') === $reason->code)>{{ $reason->words }},
                                        {{ $reason->isContested() ? 'contested' : $reason->account->number }}</option>
                                @endforeach
                            </select>
                        </td>
                        <td>
                            <select name="kept_of[{{ $place }}]" aria-label="Invoice of reason {{ $place + 1 }}" class="w-44">
                                <option value="0">no invoice</option>
                                @foreach ($items as $item)
                                    @if ($item->isDebit())
                                        <option value="{{ $item->id }}" @selected(($entry['item'] ?? 0) === $item->id)>{{ $item->document }}</option>
                                    @endif
                                @endforeach
                            </select>
                        </td>
                        <td class="n">
                            <input type="text" inputmode="decimal" name="kept[{{ $place }}]" value="{{ $entry['amount'] ?? '' }}"
                                aria-label="Amount of reason {{ $place + 1 }}" class="w-24 text-right h-6!">
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
</details>
