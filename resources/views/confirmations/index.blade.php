@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $writes = Auth::user()->role->mayWrite();
    $waiting = count(array_filter($letters, fn($of) => $of->sent_at === null && $of->email !== ''));
    $answered = array_filter($letters, fn($of) => $of->agrees !== null);
    $drawn = array_sum(array_map(fn($of) => $of->balance, $letters));
@endphp
<x-layout title="Confirmations" station="aged" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Balances to be confirmed</h1>
        @if ($sample)
            <p class="lead">{{ ucfirst($sample->says) }} as of {{ Say::day($sample->as_of) }}: {{ Say::count(count($letters), 'customer') }} of
                {{ number_format($sample->population) }}, {{ $money($drawn)->grouped() }} of {{ $money($sample->balance)->grouped() }} {{ $base->code }}.
                {{ Say::count(count($answered), 'answer') }},
                {{ count(array_filter($answered, fn($of) => $of->agrees === 1)) }} of them agree.</p>
        @endif
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col"><button type="button">Customer</button></th>
                    <th scope="col" class="n" data-sum><button type="button">Balance</button></th>
                    <th scope="col"><button type="button">Letter</button></th>
                    <th scope="col"><button type="button">Answer</button></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($letters as $of)
                    <tr data-minor="{{ $of->balance }}">
                        <td><a href="{{ route('customer', ['customer' => $of->customer_id, 'as_of' => $sample->as_of]) }}">{{ $of->customer }}
                                {{ $of->name }}</a></td>
                        <td class="n" data-sort="{{ $of->balance }}">{{ Say::balance($money($of->balance)) }}</td>
                        <td class="nowrap slate">{{ $of->sent_at !== null ? 'sent ' . Say::moment($of->sent_at) : ($of->email === '' ? 'no address: print it' : 'waits') }}</td>
                        <td>
                            @if ($of->agrees === 1)
                                <span class="tag green">agrees</span> {{ $of->words }}
                            @elseif ($of->agrees === 0)
                                <span class="tag ochre">differs by {{ Say::balance($money($of->difference)) }}</span> {{ $of->words }}
                            @endif
                            @includeWhen($writes, 'confirmations.answer')
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="4">Nobody is drawn yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="confirmations" sum-of="Balance" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Draw a sample">
        @if ($writes)
            <h2 class="title">Draw a sample as of {{ Say::day($asOf) }}</h2>
            <form method="post" action="{{ route('confirmations.draw') }}" class="grid gap-2">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                @foreach ($rules as $rule)
                    <label><input type="radio" name="rule" value="{{ $rule->value }}" @checked(old('rule', 'largest') === $rule->value)>
                        {{ ucfirst($rule->words()) }}</label>
                @endforeach
                <span class="flex flex-wrap gap-3">
                    <label class="grid">How many <input type="text" inputmode="numeric" name="count" value="{{ old('count', '10') }}" class="w-20 text-right"
                            data-hotkey="b"></label>
                    <label class="grid">Seed <input type="text" name="seed" value="{{ old('seed') }}" class="w-40"></label>
                    <label class="grid">Over <input type="text" inputmode="decimal" name="over" value="{{ old('over') }}" class="w-28 text-right"></label>
                </span>
                <label class="grid">The slip goes to <input type="text" name="reply_to" value="{{ old('reply_to') }}" required class="w-72"></label>
                <span><button class="button">Draw</button></span>
            </form>
        @endif
        @if ($samples !== [])
            <h2>Samples</h2>
            @foreach ($samples as $of)
                <div><a href="{{ route('confirmations', ['sample' => $of->id]) }}">{{ $of->id }}: {{ $of->says }}, {{ Say::day($of->as_of) }}</a> <span
                        class="slate">{{ $of->who }}</span></div>
            @endforeach
        @endif
        @if ($sample)
            <form method="post" action="{{ route('confirmations.send', $sample->id) }}" class="foot">@csrf
                <input type="hidden" name="key" value="{{ $key }}-send">
                <a hx-boost="false" href="{{ route('confirmations.print', $sample->id) }}">All letters, PDF</a>
                @if ($writes)
                    <button class="button main ml-auto" data-main @disabled($waiting === 0)>Send {{ Say::count($waiting, 'letter') }}
                        <kbd>Ctrl ↵</kbd></button>
                @endif
            </form>
        @endif
    </aside>
</x-layout>
