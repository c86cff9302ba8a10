@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Desk" class="halves">
    <div class="pane">
        <h1>Left to do before {{ Say::period($of) }} closes</h1>
        <p class="lead">{{ Say::count($imports, 'import') }} taken in. Follow the stations from left to right, or go where you like.</p>
        @if (!$hasLedger)
            <div class="note">No line of the ledger is here yet, so that there is nothing to prove against. <a href="{{ route('first-steps') }}"
                    data-hotkey="s">Hand in its lines, or take over a balance <kbd>S</kbd></a></div>
        @endif
        @include('desk.requests')
        <table class="grid-table" data-list>
            <thead>
                <tr>
                    <th scope="col">Station</th>
                    <th scope="col">What</th>
                    <th scope="col" class="n">Amount</th>
                    <th scope="col">Worth knowing</th>
                    <th scope="col">Oldest</th>
                </tr>
            </thead>
            <tbody>
                @forelse (array_filter($stations, fn ($station) => ! $station->done) as $station)
                    <tr>
                        <th scope="row" class="text-left font-semibold"><a href="{{ route($station->route) }}">{{ $station->name }}</a></th>
                        <td>{{ $station->task }}</td>
                        <td class="n font-semibold">{{ $station->amount?->grouped() }}</td>
                        <td class="soft">{{ $station->worthKnowing }}</td>
                        <td class="nowrap soft">{{ Say::shortDay($station->oldest) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">Nothing is left.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        @include('desk.questions')
        @include('desk.banks')
        @if ($left !== [])
            <h2>Left unapplied on purpose</h2>
            <table class="grid-table">
                <thead>
                    <tr>
                        <th scope="col">Customer</th>
                        <th scope="col">Because</th>
                        <th scope="col">Look again</th>
                        <th scope="col" class="n">Unapplied</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($left as $unapplied)
                        <tr>
                            <td><a href="{{ route('unapplied', ['customer' => $unapplied->id]) }}">{{ $unapplied->name }}</a></td>
                            <td>{{ $unapplied->reason->reason }} <span class="slate">{{ $unapplied->reason->who }}</span></td>
                            <td class="nowrap">{{ Say::day($unapplied->reason->lookAgain) }}</td>
                            <td class="n">{{ Money::ofMinor($unapplied->sums->net(), $base)->grouped() }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        <h2>Control account less customers, day by day</h2>
        <x-svg.days :picture="$picture" />
    </div>
    <aside class="pane worktop" aria-label="Latest">
        <h2>Latest</h2>
        <table class="grid-table table-auto">
            <thead class="visually-hidden">
                <tr>
                    <th scope="col">When</th>
                    <th scope="col">What</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($latest as $record)
                    <tr>
                        <td class="nowrap slate align-top w-40">{{ Say::moment($record->recorded_at) }}</td>
                        <td>{{ ucfirst($record->what) }}, {{ $record->subject }}{{ $record->why === '' ? '' : ': ' . $record->why }}
                            <br><span class="slate">{{ $record->who }}</span>
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <p class="mt-3"><a href="{{ route('trail') }}">The whole trail</a></p>
        <h2>Backup</h2>
        <p>
            @if ($backup->at === null)
                <b>None yet.</b>
            @else
                The last one is of {{ Say::moment($backup->at) }}.
                @if ($backup->hasAll)
                    All that was posted is in it.
                @else
                    <b>What was posted since is not in it.</b>
                @endif
            @endif
        </p>
        @includeWhen(!$backup->hasAll && auth()->user()->role->mayWrite(), 'sign-off.backup')
    </aside>
</x-layout>
