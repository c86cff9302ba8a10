<h2>Lines of its own</h2>
<table class="grid-table">
    <thead>
        <tr>
            <th scope="col">Text</th>
            <th scope="col">Account</th>
            <th scope="col" class="n">Tax, %</th>
            <th scope="col" class="n">Amount</th>
            <th scope="col">Dimension</th>
        </tr>
    </thead>
    <tbody>
        @for ($place = 0; $place < 2; $place++)
            <tr>
                <td>
                    <input type="text" name="free_text[{{ $place }}]" value="{{ $old->free('text', $place) }}"
                        aria-label="Text of own line {{ $place + 1 }}" class="w-full h-6!">
                </td>
                <td>
                    <select name="free_account[{{ $place }}]" aria-label="Account of own line {{ $place + 1 }}" class="w-52">
                        @php
                            $isFilled = $old->free('net', $place) !== '';
                            $chosen = fn($of) => $isFilled ? $old->free('account', $place) === $of->number : $of->role?->value === 'sales_reductions';
                        @endphp
                        @foreach ($accounts as $account)
                            <option value="{{ $account->number }}" @selected($chosen($account))>{{ $account->title() }}</option>
                        @endforeach
                    </select>
                </td>
                <td class="n">
                    <input type="text" inputmode="decimal" name="free_rate[{{ $place }}]" value="{{ $old->free('rate', $place) }}"
                        aria-label="Tax of own line {{ $place + 1 }}" class="w-14 text-right h-6!">
                </td>
                <td class="n">
                    <input type="text" inputmode="decimal" name="free_net[{{ $place }}]" value="{{ $old->free('net', $place) }}"
                        aria-label="Amount of own line {{ $place + 1 }}" class="w-24 text-right h-6!">
                </td>
                <td>
                    <input type="text" name="free_dimension[{{ $place }}]" value="{{ $old->free('dimension', $place) }}" placeholder="cost centre"
                        aria-label="Dimension of own line {{ $place + 1 }}" class="w-24 h-6!">
                </td>
            </tr>
        @endfor
    </tbody>
</table>
