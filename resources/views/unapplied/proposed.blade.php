@use('App\Http\Say')
<table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
    <thead>
        <tr>
            <th scope="col">
                <button type="button">Customer</button>
            </th>
            <th scope="col">
                <button type="button">Credit</button>
            </th>
            <th scope="col">
                <button type="button">Dated</button>
            </th>
            <th scope="col" class="n">
                <button type="button">Amount</button>
            </th>
            <th scope="col">
                <button type="button">How</button>
            </th>
            <th scope="col">
                <button type="button">Settles</button>
            </th>
            <th scope="col">Choose</th>
        </tr>
    </thead>
    <tbody>
        @fragment('rows')
            @forelse (array_slice($lines, $from, $most) as $line)
                <tr data-minor="{{ $line->credit->takeable->minor }}">
                    <td><a href="{{ route('unapplied', ['customer' => $line->customer->id]) }}">{{ $line->customer->name }}</a></td>
                    <td><a href="{{ route('document', $line->credit->id) }}">{{ $line->credit->title() }}</a></td>
                    <td class="nowrap" data-sort="{{ $line->credit->date }}">{{ Say::shortDay($line->credit->date) }}</td>
                    <td class="n" data-sort="{{ $line->credit->takeable->minor }}">{{ $line->credit->takeable->grouped() }}
                        @if ($line->credit->takeable->currency->code !== $base->code)
                            <span class="slate">{{ $line->credit->takeable->currency->code }}</span>
                        @endif
                    </td>
                    <td>{{ $line->how->words() }}{{ $line->certain ? '' : ', for you to choose' }}</td>
                    <td>
                        @foreach ($line->settles as $item)
                            <a href="{{ route('document', $item->id) }}">{{ $item->document }}</a>
                        @endforeach
                        @if ($line->leavesAPart())
                            <span class="slate">in part</span>
                        @endif
                    </td>
                    <td class="nowrap" data-skip="1">
                        @if ($writes)
                            @if ($line->certain)
                                <label class="inline-flex gap-1 items-center">
                                    <input type="checkbox" form="run" name="leave[{{ $line->credit->id }}]" value="1"
                                        @checked(old("leave.{$line->credit->id}"))>leave out</label>
                            @else
                                <label class="inline-flex gap-1 items-center">
                                    <input type="checkbox" form="run" name="take[{{ $line->credit->id }}]" value="1"
                                        @checked(old("take.{$line->credit->id}"))>take along</label>
                            @endif
                        @endif
                    </td>
                </tr>
            @empty
                <tr>
                    <td colspan="7">Nothing open would use up an unapplied credit whole. What is left needs a person.</td>
                </tr>
            @endforelse
            <x-more-rows :from="$from + $most" :total="count($lines)" />
        @endfragment
    </tbody>
</table>
