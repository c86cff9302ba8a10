@use('App\Http\Say')
<table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
    <thead>
        <tr>
            <th scope="col" data-order="name">
                <button type="button">Customer</button>
            </th>
            <th scope="col" data-order="what">
                <button type="button">What</button>
            </th>
            <th scope="col" data-order="since">
                <button type="button">Since</button>
            </th>
            <th scope="col" class="n" data-sum data-order="unapplied">
                <button type="button">Unapplied</button>
            </th>
            <th scope="col" class="n" data-sum data-order="matchable">
                <button type="button">Can be matched</button>
            </th>
        </tr>
    </thead>
    <tbody id="unapplied-rows" hx-get="{{ route('unapplied') }}" data-as-shown hx-trigger="proposals-known from:body">
        @fragment('rows')
            @forelse ($window->rows as $of)
                <tr data-minor="{{ $of->sums->credits }}" @class(['current' => $chosen?->id === $of->id])>
                    <td><a id="of-{{ $of->id }}" href="{{ route('unapplied', ['customer' => $of->id]) }}"
                            hx-get="{{ route('unapplied', ['customer' => $of->id]) }}" hx-target="#worktop"
                            hx-swap="outerHTML" hx-push-url="true">{{ $of->name }}</a></td>
                    <td class="soft">{{ $of->sums->words }}</td>
                    <td class="nowrap soft" data-sort="{{ $of->sums->oldest }}">{{ Say::shortDay($of->sums->oldest) }}</td>
                    <td class="n" data-sort="{{ $of->sums->credits }}"><b
                            class="font-semibold">{{ $of->sums->credits === 0 ? '' : $money($of->sums->credits)->grouped() }}</b>
                        @if ($of->sums->refunds > 0)
                            <span class="slate">{{ $money($of->sums->refunds)->grouped() }} Dr</span>
                        @endif
                    </td>
                    <td class="n" data-sort="{{ $of->sums->matchable }}">
                        @if ($of->reason)
                            <span class="tag" title="{{ $of->reason->reason }}">until {{ Say::shortDay($of->reason->lookAgain) }}</span>
                        @elseif ($of->sums->matchable === 0)
                            <span class="slate">{{ $of->sums->debits > 0 ? 'in other money only' : 'nothing open' }}</span>
                        @else
                            {{ $money($of->sums->matchable)->grouped() }}
                        @endif
                        @if (($proposed[$of->id]->certain ?? 0) > 0)
                            <span class="tag green ml-1" title="Quoted or of the same amount, the only such">{{ $proposed[$of->id]->certain }}
                                sure</span>
                        @endif
                        @if (($proposed[$of->id]->others ?? 0) > 0)
                            <span class="tag ml-1" title="Proposed, for you to look at">{{ $proposed[$of->id]->others }} to look at</span>
                        @endif
                    </td>
                </tr>
            @empty
                <tr>
                    <td colspan="5">Nothing is unapplied as of this day.</td>
                </tr>
            @endforelse
            <x-more-rows :from="$window->next" :total="$window->count" />
        @endfragment
    </tbody>
</table>
