@use('App\Http\Say')
<x-layout title="Exchange results" station="currency" class="halves">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('currency') }}">Currency</a></p>
        <h1>Exchange gains and losses</h1>
        <form action="{{ route('exchange-results') }}" class="flex gap-3 items-end mb-3">
            <label>From <x-day name="from" :value="$from" /></label> to {{ Say::day($asOf) }}
            <button class="button">Show</button>
        </form>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    @foreach (['Account', 'Month', 'Currency', 'Customer'] as $heading)
                        <th scope="col"><button type="button">{{ $heading }}</button></th>
                    @endforeach
                    <th scope="col" class="n"><button type="button">Gain, loss below zero</button></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($results as $of)
                    <tr data-minor="{{ $of->gain->minor }}">
                        <td><a href="{{ route('account', $of->account->number) }}">{{ $of->account->title() }}</a></td>
                        <td>{{ $of->month }}</td>
                        <td>{{ $of->currency }}</td>
                        <td>{{ $of->customer === '' ? 'no document named' : "{$of->customer} {$of->name}" }}</td>
                        <td class="n" data-sort="{{ $of->gain->minor }}">{{ $of->gain->grouped() }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">Nothing was posted to the exchange accounts in these days.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="exchange-results" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What is unrealised stands on open items">
        <h2 class="title">Unrealised as of {{ Say::day($asOf) }}</h2>
        <p class="lead">Revaluations of all months less what settlement and day one gave back, beside what open items carry of it.</p>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Currency</th>
                    <th scope="col">Account</th>
                    <th scope="col" class="n">Posted</th>
                    <th scope="col" class="n">Carried</th>
                    <th scope="col" class="n">Difference</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($unrealised as $of)
                    <tr>
                        <td>{{ $of->currency }}</td>
                        <td>{{ $of->account->title() }}</td>
                        <td class="n">{{ $of->posted->grouped() }}</td>
                        <td class="n">{{ $of->carried->grouped() }}</td>
                        <td class="n"><b @class(['madder' => !$of->difference()->isZero()])>{{ $of->difference()->grouped() }}</b></td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">Nothing is unrealised.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
    </aside>
</x-layout>
