@php
    use App\Http\Say;
    $percent = fn(int $tenths) => number_format($tenths / 10, 1) . ' %';
@endphp
<x-layout title="Cash after the date" station="aged">
    <div class="pane" x-data="grid">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Cash after {{ Say::day($cash->asOf) }}</h1>
        <form action="{{ route('cash-after') }}" class="flex gap-3 items-end my-3">
            <label>Receipts through <x-day name="until" :value="$cash->until" data-hotkey="b" /></label>
            <button class="button">Show</button>
        </form>
        <p class="lead">{{ $cash->open->grouped() }} {{ $base->code }} were open; {{ $cash->paid->grouped() }} of it,
            {{ $percent($cash->share()) }}, have been paid since by receipts dated after that day.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="customer"><button type="button">Customer</button></th>
                    <th scope="col" data-order="document"><button type="button">Document</button></th>
                    <th scope="col" data-order="due"><button type="button">Due</button></th>
                    <th scope="col" class="n" data-order="open"><button type="button">Open then</button></th>
                    <th scope="col" class="n" data-order="paid"><button type="button">Paid since</button></th>
                    <th scope="col" class="n" data-order="share"><button type="button">Share</button></th>
                    <th scope="col"><button type="button">Receipts</button></th>
                </tr>
            </thead>
            <tbody id="cash-rows">
                @fragment('rows')
                    @forelse ($window->rows as $of)
                        <tr data-minor="{{ $of->open->minor }}">
                            <td class="nowrap"><a href="{{ route('customer', $of->customer->id) }}">{{ $of->customer->number }} {{ $of->customer->name }}</a></td>
                            <td><a href="{{ route('document', $of->item->id) }}">{{ $of->item->title() }}</a></td>
                            <td data-sort="{{ $of->item->dueDate }}">{{ Say::shortDay($of->item->dueDate) }}</td>
                            <td class="n" data-sort="{{ $of->open->minor }}">{{ $of->open->grouped() }}</td>
                            <td class="n" data-sort="{{ $of->paid->minor }}">{{ $of->paid->isZero() ? '·' : $of->paid->grouped() }}</td>
                            <td class="n" data-sort="{{ $of->share() }}">{{ $of->paid->isZero() ? '' : $percent($of->share()) }}</td>
                            <td class="soft">{{ implode(', ', array_map(fn($receipt) => "{$receipt->document} of " . Say::shortDay($receipt->date), $of->receipts)) }}
                            </td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="7">{{ $cash->lines === [] ? 'Nothing was open on that day.' : 'Nothing has these words.' }}</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="cash-after" sum-of="Open then" />
    </div>
</x-layout>
