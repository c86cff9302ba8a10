@use('App\Http\Say')
<h2>Remedy</h2>
@if ($kept?->explains($chosen, $proof->asOf))
    <form method="post" action="{{ route('proof.withdraw', $kept->id) }}">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <button class="button">Open it again</button>
    </form>
@else
    @if ($chosen->cause === Ajuste\Core\Proof\Cause::NotNeeded)
        <form method="post" action="{{ route('proof.not-needed') }}">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <button class="button main" data-main>Reverse every correction that is no longer needed <kbd>Ctrl ↵</kbd></button>
        </form>
    @endif
    @if ($mendable)
        <form method="post" action="{{ route('proof.correct', 'voucher') }}" class="flex flex-wrap gap-3 items-end">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <input type="hidden" name="line" value="{{ $chosen->key() }}">
            <span class="basis-full">Correct the ledger: {{ $money($chosen->amount)->abs()->grouped() }}
                {{ $chosen->amount > 0 ? 'to the debit' : 'to the credit' }} of {{ app(App\Http\ViewPoint::class)->account->number }},
                against</span>
            @include('proof.counter')
            <label class="grid">Dated <x-day name="date" :value="$correctionDate" /></label>
            <button class="button main" data-main>{{ $why === '' ? 'Post' : 'Ask for approval of' }}
                {{ $money($chosen->amount)->abs()->grouped() }} <kbd>Ctrl ↵</kbd></button>
            @if ($sameKind > 1)
                <input type="hidden" name="cause" value="{{ $chosen->cause->value }}">
                <button class="button" formaction="{{ route('proof.correct', 'voucher_for_each') }}" data-hotkey="v">Post all {{ $sameKind }} of this kind
                    <kbd>V</kbd></button>
            @endif
            <span class="slate basis-full">The control account comes to {{ Say::balance($after[0]) }}, the difference to
                {{ Say::balance($after[1]) }}.{{ $why === '' ? '' : " A second person approves it: {$why}." }}</span>
        </form>
    @endif
    @if ($accruable)
        <form method="post" action="{{ route('proof.correct', 'accrual') }}" class="flex flex-wrap gap-3 items-end mt-3">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <input type="hidden" name="line" value="{{ $chosen->key() }}">
            <span class="basis-full">Accrue {{ $money($chosen->amount)->abs()->grouped() }} at {{ Say::day($proof->asOf) }} and take it back on the day
                after; the late posting then makes no cause of its own. Against</span>
            @include('proof.counter')
            <button @class(['button', 'main' => !$mendable]) @if (!$mendable) data-main @else data-hotkey="r" @endif>Accrue
                <kbd>{{ $mendable ? 'R' : 'Ctrl ↵' }}</kbd></button>
        </form>
    @endif
    @if ($ownSide)
        <details class="mt-3" data-hotkey="c">
            <summary class="cursor-pointer soft">An entry on the customer's side <kbd>C</kbd></summary>
            <form method="post" action="{{ route('proof.correct', 'customer') }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="line" value="{{ $chosen->key() }}">
                <span class="basis-full">{{ $ownSide->abs()->grouped() }} {{ $ownSide->minor > 0 ? 'to the debit' : 'to the credit' }} of the
                    customer; the control account is as it was, the difference comes to {{ Say::balance($after[1]) }}.</span>
                <label class="grid">Customer <input type="text" name="who" value="{{ $chosen->customer() }}" required class="w-40"></label>
                <label class="grid">Dated <x-day name="date" :value="$correctionDate" /></label>
                <button class="button">Post {{ $ownSide->abs()->grouped() }}</button>
            </form>
        </details>
    @endif
    @if ($partners !== [])
        <details class="mt-3" data-hotkey="b">
            <summary class="cursor-pointer soft">It belongs to other lines <kbd>B</kbd></summary>
            <form method="post" action="{{ route('proof.pair') }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="line" value="{{ $chosen->key() }}">
                <fieldset class="grid gap-1 p-1 w-full max-h-48 overflow-y-auto">
                    <legend>Belongs to one line, or to several together</legend>
                    @foreach ($partners as $partner)
                        <label class="flex gap-2"><input type="checkbox" name="others[]" value="{{ $partner->key() }}">
                            <span class="w-24 text-right">{{ $money($partner->amount)->grouped() }}</span> {{ Say::shortDay($partner->date()) }},
                            {{ $partner->document() ?: $partner->entry() }} {{ $customers[$partner->customer()] ?? '' }}</label>
                    @endforeach
                </fieldset>
                <label class="grid">Reason <input type="text" name="reason" required class="w-44"></label>
                <button class="button">Pair</button>
            </form>
        </details>
    @elseif ($chosen->postings !== [] && $chosen->items !== [] && $chosen->cause !== Ajuste\Core\Proof\Cause::OpeningDifference)
        <details class="mt-3" data-hotkey="b">
            <summary class="cursor-pointer soft">They do not belong together <kbd>B</kbd></summary>
            <form method="post" action="{{ route('proof.pair') }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="line" value="{{ $chosen->key() }}">
                <label class="grid">Reason <input type="text" name="reason" required class="w-60"></label>
                <button class="button">Part
                    them</button>
            </form>
        </details>
    @endif
    @unless (isset($asked[$chosen->key()]))
        <details class="mt-3" data-hotkey="s">
            <summary class="cursor-pointer soft">Have it mended at the source <kbd>S</kbd></summary>
            <form method="post" action="{{ route('proof.ask') }}" class="grid gap-2 mt-1">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="line" value="{{ $chosen->key() }}">
                <textarea name="request" rows="2" required class="h-auto! w-full" aria-label="What is to be mended">{{ $suggested }}</textarea><span>
                    <button class="button">Put on the list</button>
                </span>
            </form>
        </details>
    @else
        <div class="note">Asked at the source by {{ $asked[$chosen->key()]->who }},
            {{ Say::moment($asked[$chosen->key()]->recordedAt) }}: {{ $asked[$chosen->key()]->request }}</div>
    @endunless
    <form method="post" action="{{ route('proof.carry') }}" class="flex flex-wrap gap-3 items-end mt-3">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="line" value="{{ $chosen->key() }}">
        <label class="grid grow">Carry it, because <input type="text" name="reason" required placeholder="posted in November, settles itself"></label>
        <button class="button">Carry</button>
    </form>
@endif
