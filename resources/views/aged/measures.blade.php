@use('App\Http\Say')
<x-layout title="Measures" station="aged">
    <div class="pane">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Measures, {{ $period->name }} through {{ Say::day($asOf) }}</h1>
        <p class="lead">Balance and sales both with tax, in {{ $base->code }}.</p>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Measure</th>
                    <th scope="col" class="n">Value</th>
                    <th scope="col">Formula and figures</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($measures as $of)
                    <tr>
                        <td>{{ $of->kind->words() }}</td>
                        <td class="n">{{ $of->value === null ? 'nothing to divide by' : str_replace('-', '−', (string) $of->value) }}</td>
                        <td class="soft">
                            <details>
                                <summary class="cursor-pointer">{{ $of->kind->formula() }}</summary>
                                @foreach ($of->figures as $name => $figure)
                                    <div>{{ str_replace('_', ' ', $name) }}: {{ $figure }}</div>
                                @endforeach
                            </details>
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
</x-layout>
