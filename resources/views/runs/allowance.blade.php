@php
    use App\Http\Say;
    $change = $run->total();
@endphp
<x-layout title="Allowance" station="aged" class="halves even">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Allowance as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">Expected loss {{ $run->after()->grouped() }} {{ $base->code }}, in the ledger {{ $run->before->grouped() }}:
            @if ($change->isZero())
                no change.
            @else
                {{ $change->isPositive() ? 'a charge' : 'a release' }} of <b>{{ $change->abs()->grouped() }}</b>.
            @endif
            <span class="slate">{{ ucfirst($run->policy()) }}.</span></p>
        <h2>Loss rates times the aged list <a class="text-base" href="{{ route('allowance.history') }}">from history</a></h2>
        <table class="grid-table" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Group</button>
                    </th>
                    <th scope="col">
                        <button type="button">Age</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Carried, {{ $base->code }}</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Rate, %</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Expected loss</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @forelse ($run->matrix as $cell)
                    <tr data-minor="{{ $cell->allowance->minor }}">
                        <td>{{ $cell->group === '' ? 'all others' : $cell->group }}</td>
                        <td>{{ Say::bucket($cell->bucket) }}</td>
                        <td class="n" data-sort="{{ $cell->base->minor }}">{{ Say::balance($cell->base) }}</td>
                        <td class="n" data-sort="{{ $cell->rate }}">{{ $cell->rate }}</td>
                        <td class="n" data-sort="{{ $cell->allowance->minor }}">{{ $cell->allowance->grouped() }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">No loss rates yet. Type one beside, or hand in allowance_rates.csv.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="allowance" sum-of="Expected loss" />
        @include('runs.allowance-named')
        @include('runs.allowance-movement')
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What posting would write">
        @include('runs.posting')
        @include('runs.posted')
        @includeWhen(Auth::user()->role->mayWrite(), 'runs.allowance-forms')
        @include('runs.decide', ['verb' => 'Post', 'what' => $change->isPositive() ? 'a charge' : 'a release'])
    </aside>
</x-layout>
