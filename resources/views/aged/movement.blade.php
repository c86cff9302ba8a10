@php
    use Ajuste\Core\Calendar\Day;
    use Ajuste\Core\Movement\MovementLine;
    use App\Http\Say;
    $link = fn(string $line, string $kind = '') => route('movement.line', array_filter([$line, 'from' => $movement->from, 'kind' => $kind]));
    $opens = fn(MovementLine $line) => [
        route('account', $account->number),
        route('aged', ['as_of' => $line === MovementLine::Opening ? Day::plus($movement->from, -1) : $movement->to]),
    ];
@endphp
<x-layout title="Movement" station="aged">
    <div class="pane">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Movement of {{ $account->number }}, {{ Say::day($movement->from) }} to {{ Say::day($movement->to) }}</h1>
        <div class="flex flex-wrap gap-2 items-center my-3">
            <form action="{{ route('movement') }}" class="flex gap-2 items-center">
                <label>From <input type="date" name="from" value="{{ $movement->from }}" required></label>
                <button class="button py-0.5!">Show</button>
            </form>
            <span class="ml-auto slate">In {{ $base->code }}; a posting counts in the line of the item that it pairs with</span>
            <a class="tag" hx-boost="false" href="{{ route('movement.export', ['format' => 'csv', 'from' => $movement->from]) }}">CSV</a>
            <a class="tag" hx-boost="false" href="{{ route('movement.export', ['format' => 'xlsx', 'from' => $movement->from]) }}">XLSX</a>
        </div>
        <table class="grid-table" data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col"></th>
                    <th scope="col" class="n">Control account</th>
                    <th scope="col" class="n">Customers</th>
                    <th scope="col" class="n">Difference</th>
                    <th scope="col">What makes it</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($movement->lines as $of)
                    @php
                        $isBalance = in_array($of->line, [MovementLine::Opening, MovementLine::Closing], true);
                        [$ledger, $customers] = $isBalance ? $opens($of->line) : [$link($of->line->value), $link($of->line->value)];
                    @endphp
                    <tr @class(['font-semibold' => $isBalance])>
                        <td>{{ $of->line->words() }}</td>
                        <td class="n"><a href="{{ $ledger }}">{{ Say::balance($of->ledger) }}</a></td>
                        <td class="n"><a href="{{ $customers }}">{{ Say::balance($of->customers) }}</a></td>
                        <td @class(['n', 'text-madder' => !$of->difference()->isZero()])>
                            {{ $of->difference()->isZero() ? '·' : Say::balance($of->difference()) }}</td>
                        <td class="soft">
                            @foreach (array_slice($of->causes(), 0, 4) as $cause)
                                <a href="{{ route('proof', ['line' => $cause->line->key()]) }}">{{ $cause->title() }}</a>{{ $loop->last ? '' : ', ' }}
                            @endforeach
                            @if (count($of->causes()) > 4)
                                and {{ count($of->causes()) - 4 }} more
                            @endif
                        </td>
                    </tr>
                    @foreach (count($of->parts) > 1 ? $of->parts : [] as $part)
                        <tr class="slate">
                            <td class="pl-8!">{{ ucfirst($part->words()) }}</td>
                            <td class="n"><a href="{{ $link($of->line->value, $part->name()) }}">{{ Say::balance($part->ledger) }}</a></td>
                            <td class="n"><a href="{{ $link($of->line->value, $part->name()) }}">{{ Say::balance($part->customers) }}</a></td>
                            <td class="n">{{ $part->difference()->isZero() ? '' : Say::balance($part->difference()) }}</td>
                            <td></td>
                        </tr>
                    @endforeach
                @endforeach
            </tbody>
        </table>
        <p class="mt-3">
            @if ($movement->difference()->isZero())
                <span class="tag green">ties</span> at the end.
            @else
                Does not tie by <b class="text-madder">{{ $movement->difference()->abs()->grouped() }}</b> at the end; the causes stand in
                <a href="{{ route('proof') }}">Proof</a>.
            @endif
        </p>
        @include('aged.movement-groups')
    </div>
</x-layout>
