<div class="mt-4 border-t border-line-strong pt-2 grid gap-1">
    @if ($line->amount->minor > 0)
        @if ($payer)
            <details @if ($pasted !== '') open @endif data-hotkey="t">
                <summary class="cursor-pointer soft">Paste the remittance <kbd>T</kbd></summary>
                <form method="post" action="{{ route('receipts.paste', $line->id) }}" class="grid gap-2 mt-1">@csrf
                    <input type="hidden" name="customer" value="{{ $payer->id }}">
                    <textarea name="remittance" rows="5" class="h-auto! w-full" aria-label="A mail's text or a sheet's cells"
                        placeholder="a mail's text, or the cells of a sheet">{{ $pasted }}</textarea><span>
                        <button class="button py-0.5!">Tick what it names</button>
                    </span>
                </form>
            </details>
        @endif
        <details data-hotkey="v">
            <summary class="cursor-pointer soft">Divide over several customers <kbd>V</kbd></summary>
            <form method="post" action="{{ route('receipts.divide', $line->id) }}" class="grid gap-1 mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                @foreach (range(0, 4) as $place)
                    <span class="flex gap-3">
                        <input type="text" name="part_customer[{{ $place }}]"
                            value="{{ old("part_customer.{$place}", $place === 0 ? $payer?->customer : '') }}" placeholder="customer; blank: say it later"
                            aria-label="Customer of part {{ $place + 1 }}" class="w-64">
                        <input type="text" inputmode="decimal" name="part[{{ $place }}]" value="{{ old("part.{$place}") }}"
                            aria-label="Amount of part {{ $place + 1 }}" class="w-28 text-right"></span>
                @endforeach
                <span>
                    <button class="button py-0.5!">Divide</button> <span class="slate">the parts add up to {{ $line->amount->grouped() }}</span></span>
            </form>
        </details>
        <details data-hotkey="c">
            <summary class="cursor-pointer soft">Not from a customer: to accounts <kbd>C</kbd></summary>
            <form method="post" action="{{ route('receipts.accounts', $line->id) }}" class="grid gap-1 mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label>Memo <input type="text" name="memo" value="{{ old('memo') }}" required placeholder="interest, a rebate, a grant"
                        class="w-80"></label>
                @foreach (range(0, 2) as $place)
                    <span class="flex gap-3">
                        <select name="to[{{ $place }}]" aria-label="Account {{ $place + 1 }}" class="w-64">
                            <option value=""></option>
                            @foreach ($accounts as $account)
                                @unless ($account->role?->carriesCustomers())
                                    <option value="{{ $account->number }}" @selected(old("to.{$place}") === $account->number)>{{ $account->title() }}</option>
                                @endunless
                            @endforeach
                        </select>
                        <input type="text" inputmode="decimal" name="to_amount[{{ $place }}]" value="{{ old("to_amount.{$place}") }}"
                            placeholder="{{ $place === 0 ? 'the rest' : '' }}" aria-label="Amount of account {{ $place + 1 }}"
                            class="w-28 text-right">
                        <select name="to_side[{{ $place }}]" aria-label="Side of account {{ $place + 1 }}">
                            <option value="credit">Cr</option>
                            <option value="debit" @selected(old("to_side.{$place}") === 'debit')>Dr</option>
                        </select></span>
                @endforeach
                <span>
                    <button class="button py-0.5!">Post to accounts</button>
                </span>
            </form>
        </details>
    @endif
    <details data-hotkey="u">
        <summary class="cursor-pointer soft">Not receivables: out of the way <kbd>U</kbd></summary>
        <form method="post" action="{{ route('receipts.aside', $line->id) }}" class="flex flex-wrap gap-3 items-center mt-1">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <label>It is <input type="text" name="reason" placeholder="a supplier, salaries" required class="w-44"></label>
            <label>From now on whenever it says <input type="text" name="words" placeholder="only this one" class="w-40"></label>
            <button class="button py-0.5!">Out of the way</button>
        </form>
    </details>
</div>
