@if ($run->receipts() !== [])
    <h2>Unapplied receipts</h2>
    <p class="soft">An advance for future supply is a deposit, and is not revalued: hold it as one before the run. Other money is matched first.</p>
    <table class="grid-table mb-3">
        <tbody>
            @foreach ($run->receipts() as $place => $of)
                <tr>
                    <td><a href="{{ route('customer', $of->of->customer->id) }}">{{ $of->of->customer->number }} {{ $of->of->customer->name }}</a></td>
                    <td><a href="{{ route('document', $of->of->item->id) }}">{{ $of->of->item->title() }}</a></td>
                    <td class="n">{{ $of->of->item->open->grouped() }} <span class="slate">{{ $of->of->item->open->currency->code }}</span></td>
                    <td class="nowrap">
                        @if (Auth::user()->role->mayWrite())
                            <form method="post" action="{{ route('document.deposit', $of->of->item->id) }}">@csrf
                                <input type="hidden" name="key" value="{{ $key }}-d{{ $of->of->item->id }}">
                                <label>tax <input type="text" inputmode="decimal" name="deposit_tax" value="{{ old('deposit_tax') }}"
                                        aria-label="Tax due on payment of {{ $of->of->item->document }}, in percent" class="w-12 text-right h-6!"> %</label>
                                <button class="button py-0.5!" @if ($place === 0) data-hotkey="v" @endif>Hold as a deposit
                                    @if ($place === 0)
                                        <kbd>V</kbd>
                                    @endif
                                    <span class="visually-hidden">{{ $of->of->item->document }}</span></button>
                            </form>
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
