@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Subledger\Kind;
    use App\Http\Say;
    $money = Money::ofMinor($item->amount, $item->currency);
@endphp
<x-layout title="Take back {{ $item->document }}" class="halves">
    <div class="pane">
        <p><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</a></p>
        <h1>Take back {{ Kind::from($item->kind)->words() }} {{ $item->document }}</h1>
        <p class="lead">{{ $customer->name }}, {{ Say::day($item->date) }}, {{ $money->grouped() }} {{ $item->currency }}. Nothing is deleted: what takes it
            back stands beside it.</p>
        <h2>What hangs on it</h2>
        <table class="grid-table" data-list>
            <thead>
                <tr>
                    <th scope="col">What happens</th>
                    <th scope="col" class="n">Open again</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($dependents as $of)
                    <tr>
                        <td><a href="{{ route($of->route, $of->id) }}">{{ $of->words }}</a></td>
                        <td class="n">{{ $of->amount?->grouped() }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="2">Nothing hangs on it; all of it is open.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
    </div>
    <aside class="pane worktop" aria-label="Take it back">
        @if ($refusal !== null)
            <h2 class="title">It stays</h2>
            <div class="note">{{ $refusal }}</div>
        @elseif (!Auth::user()->role->mayWrite())
            <h2 class="title">Only to look at</h2>
            <p class="lead">A reader can look at everything and post nothing.</p>
        @elseif ($isReceipt)
            <h2 class="title">The bank took it back <kbd>B</kbd></h2>
            <form method="post" action="{{ route('receipts.returned', $item->root_id) }}" class="flex flex-wrap gap-3 items-end">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">Came back on <x-day name="date" :value="old('date', $today)" data-hotkey="b" /></label>
                <label class="grid">Fee <input type="text" inputmode="decimal" name="fee" value="{{ old('fee') }}" class="w-20 text-right"></label>
                <label>
                    <input type="checkbox" name="fee_to_customer" value="1"> the customer bears it</label>
                <label class="grid">Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-44"></label>
                <button class="button">It came back</button>
            </form>
            <h2>It is another customer's <kbd>M</kbd></h2><datalist id="customers"></datalist>
            <form method="post" action="{{ route('receipt.move', $item->root_id) }}" class="flex flex-wrap gap-3 items-end">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">Whose <input type="text" name="who" required data-hotkey="m" placeholder="number or name" class="w-44" list="customers"
                        hx-get="{{ route('customers.options') }}" hx-trigger="input changed delay:200ms" hx-target="#customers" autocomplete="off"></label>
                <label class="grid">As of <x-day name="date" :value="$ownDay" /></label>
                <label class="grid">Reason <input type="text" name="reason" required class="w-44"></label>
                <button class="button">Move it</button>
            </form>
            <p class="slate mt-1">Taken back here and posted there in one step, with the same number, amount and carrying amount.</p>
            @if ($placedHere)
                <h2>It was placed by mistake <kbd>I</kbd></h2>
                <form method="post" action="{{ route('receipts.mistaken', $item->root_id) }}" class="flex flex-wrap gap-3 items-end">@csrf
                    <input type="hidden" name="key" value="{{ $key }}">
                    <label class="grid">As of <x-day name="date" :value="$ownDay" data-hotkey="i" /></label>
                    <label class="grid">Reason <input type="text" name="reason" required class="w-44"></label>
                    <button class="button">Place the line again</button>
                </form>
            @endif
        @else
            <h2 class="title">Post the reversal</h2>
            <form method="post" action="{{ route('document.take-back', $item->root_id) }}" class="flex flex-wrap gap-3 items-end">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="seen" value="{{ $seen }}">
                <label class="grid">As of <x-day name="date" :value="old('date', $today)" /></label>
                <label class="grid">Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-60"></label>
                @unless ($knows)
                    <p class="basis-full">The books do not know what it had posted besides the control account.</p>
                    <label class="grid">Account that takes it back <select name="account">
                            @foreach ($accounts as $account)
                                <option value="{{ $account->number }}" @selected(old('account') === $account->number)>{{ $account->title() }}</option>
                            @endforeach
                        </select>
                    </label>
                    <label class="grid">Tax within it, % <input type="text" name="rate" value="{{ old('rate') }}" class="w-20 text-right"></label>
                @endunless
                <button class="button main" data-main>Take back {{ $money->grouped() }} <kbd>Ctrl ↵</kbd></button>
            </form>
            <p class="slate mt-2">{{ $dependents === [] ? 'It' : 'What hangs on it is undone first; then it' }} meets its counterpart of the same amount, and
                {{ $knows ? 'every account it touched gets the same on the other side' : 'the account gets the same on the other side' }}.</p>
        @endif
    </aside>
</x-layout>
