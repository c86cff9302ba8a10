@use('App\Http\Say')
@php $writes = Auth::user()->role->mayWrite(); @endphp
<h2>Customers that this run leaves alone</h2>
<table class="grid-table">
    <tbody>
        @forelse ($blocks as $block)
            <tr>
                <td><a href="{{ route('customer', $block->customer->id) }}">{{ $block->customer->number }} {{ $block->customer->name }}</a></td>
                <td class="soft">{{ $block->reason }} <span class="slate">{{ $block->who }}, {{ Say::moment($block->recordedAt) }}</span></td>
                <td>
                    @if ($writes)
                        <form method="post" action="{{ route('run.lift', [$kind->path(), $block->id]) }}">@csrf
                            <input type="hidden" name="key" value="{{ $key }}-b{{ $block->id }}">
                            <button class="button py-0.5!">Let {{ $block->customer->number }} in again</button>
                        </form>
                    @endif
                </td>
            </tr>
        @empty
            <tr>
                <td>None.</td>
            </tr>
        @endforelse
    </tbody>
</table>
@if ($writes)
    <form method="post" action="{{ route('run.block', $kind->path()) }}" class="flex flex-wrap gap-2 items-end mt-2">@csrf
        <input type="hidden" name="key" value="{{ $key }}-b">
        <label class="grid">Customer <input type="text" name="customer" required class="w-28" data-hotkey="l"></label>
        <label class="grid grow">Because <input type="text" name="reason" required class="w-full"></label>
        <button class="button">Leave alone <kbd>L</kbd></button>
    </form>
@endif
