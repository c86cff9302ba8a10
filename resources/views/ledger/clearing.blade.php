@php use App\Http\Say; @endphp
<x-layout title="Accounts that must clear" station="proof">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Accounts that must clear</h1><a class="ml-auto" href="{{ route('trial-balance') }}">Trial balance</a>
        </div>
        <p class="lead">
            @forelse ($accounts as [$account, $rest])
                <a href="{{ route('account', $account->number) }}">{{ $account->title() }}</a>:
                {{ $rest === 0 ? 'clear' : Say::count($rest, 'rest') }}{{ $loop->last ? '.' : '; ' }}
            @empty
                No account has the role must_clear,
                receipts_in_transit or payments_in_transit.
            @endforelse
        </p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="account">
                        <button type="button">Account</button>
                    </th>
                    <th scope="col" data-order="name">
                        <button type="button">Document or entry</button>
                    </th>
                    <th scope="col" data-order="since">
                        <button type="button">Since</button>
                    </th>
                    <th scope="col" data-order="customer">
                        <button type="button">From</button>
                    </th>
                    <th scope="col" data-order="text">
                        <button type="button">Text</button>
                    </th>
                    <th scope="col" class="n" data-sum data-order="amount">
                        <button type="button">Still in it</button>
                    </th>
                </tr>
            </thead>
            <tbody id="clearing-rows">
                @fragment('rows')
                    @foreach ($window->rows as $line)
                        <tr data-minor="{{ $line->amount->minor }}">
                            <td>{{ $line->account->number }}</td>
                            <td><a href="{{ route('posting', $line->postingId) }}">{{ $line->name }}</a></td>
                            <td class="nowrap" data-sort="{{ $line->since }}">{{ Say::day($line->since) }}</td>
                            <td>{{ $line->customer }}</td>
                            <td>{{ $line->description }}</td>
                            <td class="n" data-sort="{{ $line->amount->minor }}">{{ Say::balance($line->amount) }}</td>
                        </tr>
                    @endforeach
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="clearing" sum-of="Still in them" />
    </div>
</x-layout>
