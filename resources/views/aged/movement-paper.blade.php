@use('App\Http\Say')
<x-paper title="Movement of {{ $account->title() }}">
    <x-letterhead />
    <h1>Movement of {{ $account->title() }}</h1>
    <div class="soft">{{ Say::day($movement->from) }} to {{ Say::day($movement->to) }}. Amounts in {{ $base->code }}.</div>
    <table>
        <thead>
            <tr>
                <th></th>
                <th class="n">Control account</th>
                <th class="n">Customers</th>
                <th class="n">Difference</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($movement->lines as $of)
                <tr>
                    <td>{{ $of->line->words() }}</td>
                    <td class="n">{{ Say::balance($of->ledger) }}</td>
                    <td class="n">{{ Say::balance($of->customers) }}</td>
                    <td class="n">{{ $of->difference()->isZero() ? '' : Say::balance($of->difference()) }}</td>
                </tr>
                @foreach ($of->parts as $part)
                    <tr>
                        <td class="soft">{{ ucfirst($part->words()) }}</td>
                        <td class="n soft">{{ Say::balance($part->ledger) }}</td>
                        <td class="n soft">{{ Say::balance($part->customers) }}</td>
                        <td class="n soft">{{ $part->difference()->isZero() ? '' : Say::balance($part->difference()) }}</td>
                    </tr>
                @endforeach
                @foreach (array_slice($of->causes(), 0, 10) as $cause)
                    <tr>
                        <td class="soft" colspan="3">{{ $cause->title() }}</td>
                        <td class="n soft">{{ Say::balance($cause->difference) }}</td>
                    </tr>
                @endforeach
            @endforeach
        </tbody>
    </table>
    <p>{{ $movement->difference()->isZero() ? 'Ties at the end.' : 'Does not tie by ' . $movement->difference()->abs()->grouped() . ' at the end; see the proof.' }}</p>
</x-paper>
