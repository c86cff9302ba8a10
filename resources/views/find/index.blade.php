@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Proof\FoundBy;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $say = fn(float $expected) => $expected < 0.05 ? 'hardly any' : ($expected < 10 ? number_format($expected, 1) : number_format($expected));
@endphp
<x-layout title="Find an amount" station="proof">
    <div class="pane" @if ($amount) x-data="grid" @endif>
        <div class="flex items-baseline gap-4">
            <h1>Find an amount</h1><span class="ml-auto flex gap-4"><a href="{{ route('pair-check') }}">Check pairs of a list</a><a
                    href="{{ route('proof') }}">Proof</a></span>
        </div>
        <form action="{{ route('find') }}" class="flex flex-wrap gap-4 items-center my-3">
            <label>Amount <input type="text" inputmode="decimal" name="amount" value="{{ $typed }}" autofocus class="w-40 text-right"
                    data-hotkey="g"></label>
            <label>Among entries of <select name="span">
                    @foreach (['month' => 'this month', 'year' => 'twelve months', 'all' => 'all time'] as $value => $words)
                        <option value="{{ $value }}" @selected($span === $value)>{{ $words }}</option>
                    @endforeach
                </select>
            </label>
            <button class="button main" data-main>Find <kbd>Ctrl ↵</kbd></button>
        </form>
        @if ($refusal)
            <div class="note bad" role="alert">{{ $refusal }}</div>
        @endif
        @if ($amount)
            <p class="lead">{{ $amount->grouped() }} {{ $base->code }} on {{ $account->title() }}: {{ Say::count(count($causes), 'cause') }} of the proof
                {{ count($causes) === 1 ? 'is' : 'are' }} exactly that, {{ number_format(array_sum($found->count)) }} further
                {{ array_sum($found->count) === 1 ? 'explanation' : 'explanations' }}; chance alone would give {{ $say($found->expected()) }}.</p>
            @foreach ($causes as $cause)
                <div class="note good"><a href="{{ route('proof', ['line' => $cause->key()]) }}">{{ $cause->cause->words() }}</a>: {{ $cause->note }}</div>
            @endforeach
            <x-filter />
            <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
                <thead>
                    <tr>
                        <th scope="col">
                            <button type="button">Explanation</button>
                        </th>
                        <th scope="col">
                            <button type="button">Side</button>
                        </th>
                        <th scope="col">
                            <button type="button">Dated</button>
                        </th>
                        <th scope="col">
                            <button type="button">Entries</button>
                        </th>
                        <th scope="col" class="n">
                            <button type="button">Amounts</button>
                        </th>
                        <th scope="col" class="n">
                            <button type="button">By chance</button>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    @forelse ($found->likely() as $finding)
                        @include('find.finding')
                    @empty
                        <tr>
                            <td colspan="6">Nothing makes this amount among these entries. Look further back, or on the proof for causes that come to it
                                together.</td>
                        </tr>
                    @endforelse
                </tbody>
            </table>
            <x-table-foot name="found" />
            @if ($found->byChance() !== [])
                <details class="mt-4">
                    <summary class="cursor-pointer soft">Guesses of which chance alone gives about as many:
                        {{ number_format(count($found->byChance())) }}</summary>
                    <table class="grid-table mt-2">
                        <tbody>
                            @foreach ($found->byChance() as $finding)
                                @include('find.finding')
                            @endforeach
                        </tbody>
                    </table>
                </details>
            @endif
            <dl class="facts mt-4">
                @foreach (FoundBy::cases() as $by)
                    <dt>{{ ucfirst($by->words()) }}</dt>
                    <dd>{{ number_format($found->count[$by->value] ?? 0) }} found, {{ $say($found->chance[$by->value]) }} by chance</dd>
                @endforeach
            </dl>
        @else
            <p class="lead">Type a difference: every entry, two or three of one side together, its half, two digits exchanged, a shifted decimal point and its
                tax are looked for on both sides, the likely ones first.</p>
        @endif
    </div>
</x-layout>
