@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Trial balance" station="proof">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Trial balance as of {{ Say::day($asOf) }}</h1><span class="ml-auto flex gap-4"><a href="{{ route('clearing') }}">Accounts that must clear</a><a
                    href="{{ route('proof') }}">Proof</a></span>
        </div>
        @php $tie = collect($lines)->first(fn ($line) => $line->account->id === $account->id)?->tie; @endphp
        @if ($tie)
            <p class="lead">{{ $account->title() }}: trial balance <b class="text-ink">{{ Say::balance($tie->control) }}</b>, customers <b
                    class="text-ink">{{ Say::balance($tie->customers) }}</b>, aged list <b
                    class="text-ink">{{ Say::balance(Money::ofMinor($aged->totals->total, $base)) }}</b>. @if ($tie->difference->isZero())
                    The three agree.
                @else
                    They are {{ Say::balance($tie->difference) }} apart; <a href="{{ route('proof') }}">the proof says why</a>.
                @endif
            </p>
        @endif
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Account</button>
                    </th>
                    <th scope="col">
                        <button type="button">Name</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Postings</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Debit</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Credit</button>
                    </th>
                    <th scope="col">Ties to the customers</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($lines as $line)
                    <tr data-minor="{{ $line->balance->minor }}">
                        <td><a href="{{ route('account', $line->account->number) }}">{{ $line->account->number }}</a></td>
                        <td>{{ $line->account->name }}</td>
                        <td class="n" data-sort="{{ $line->postings }}">{{ number_format($line->postings) }}</td>
                        <td class="n" data-sort="{{ $line->balance->minor }}">{{ $line->balance->minor > 0 ? $line->balance->grouped() : '' }}</td>
                        <td class="n" data-sort="{{ -$line->balance->minor }}">{{ $line->balance->minor < 0 ? $line->balance->abs()->grouped() : '' }}
                        </td>
                        <td>
                            @if ($line->tie)
                                <a href="{{ route('proof', ['account' => $line->account->number]) }}"><span
                                        @class([
                                            'tag',
                                            'green' => $line->tie->difference->isZero(),
                                            'ochre' => !$line->tie->difference->isZero(),
                                        ])>{{ $line->tie->difference->isZero() ? 'level' : 'difference ' . Say::balance($line->tie->difference) }}</span></a>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="6">No posting as of this day.</td>
                    </tr>
                @endforelse
            </tbody>
            <tfoot>
                <tr>
                    <td></td>
                    <td>Together</td>
                    <td></td>
                    <td class="n">{{ $sides->debit->grouped() }}</td>
                    <td class="n">{{ $sides->credit->grouped() }}</td>
                    <td class="font-normal slate">{{ $sides->areEqual() ? '' : 'The ledger was imported for some accounts only.' }}</td>
                </tr>
            </tfoot>
        </table>
        <x-table-foot name="trial-balance" />
    </div>
</x-layout>
