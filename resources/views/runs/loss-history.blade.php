@php
    use App\Http\Say;
@endphp
<x-layout title="Loss rates from history" station="aged">
    <div class="pane">
        <p><a href="{{ route('allowance') }}">Allowance</a></p>
        <h1>Loss rates from the books' own history</h1>
        <p class="lead">Of what stood in each column at a period's end, so much was still open a period later; multiplied up to the oldest column,
            times the share of what left that column that was written off. The last {{ $months }} periods to {{ Say::day($asOf) }}.</p>
        @foreach ($rates as $group => $of)
            <h2>{{ $group === '' ? 'All customers' : $group }} <span class="slate">written off {{ $of->lost->grouped() }} {{ $base->code }}</span></h2>
            <table class="grid-table">
                <thead>
                    <tr>
                        <th scope="col">Age</th>
                        <th scope="col" class="n">Documents seen</th>
                        <th scope="col" class="n">Stood there</th>
                        <th scope="col" class="n">Open a period later</th>
                        <th scope="col" class="n">Rolled on, %</th>
                        <th scope="col" class="n">Lost in the end, %</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($of->columns as $column)
                        <tr>
                            <td>{{ Say::bucket($column->label) }}</td>
                            <td class="n">{{ number_format($column->documents) }}</td>
                            <td class="n">{{ $column->stood->grouped() }}</td>
                            <td class="n">{{ $column->stayed->grouped() }}</td>
                            <td class="n">{{ $column->rolled ?? '·' }}</td>
                            <td class="n font-semibold">{{ $column->loss ?? 'the books do not say' }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @if (Auth::user()->role->mayWrite() && array_filter($of->columns, fn($column) => $column->loss === null) === [])
                <form method="post" action="{{ route('allowance.history.take') }}" class="mt-1">@csrf
                    <input type="hidden" name="key" value="{{ $key }}-{{ $loop->index }}">
                    <input type="hidden" name="group" value="{{ $group }}">
                    <button class="button py-0.5!">Use these rates for {{ $group === '' ? 'all others' : $group }}</button>
                </form>
            @endif
        @endforeach
    </div>
</x-layout>
