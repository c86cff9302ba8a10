@use('App\Http\Say')
<div class="pairbox">
    <div>
        <div class="soft">In the ledger</div>
        <div class="figure">{{ $postings->isEmpty() ? 'nothing' : Say::balance($money($chosen->posted())) }}</div>
        @foreach ($postings->take(5) as $posting)
            <div class="mt-1"><a href="{{ route('posting', $posting->id) }}">Entry {{ $posting->entry }}</a>,
                {{ Say::day($posting->date) }}<br><span class="slate">{{ trim($posting->document . ' ' . $posting->description) }}{{ $postings->count() > 1
                    ? ', ' . Say::balance($money($posting->base)) : '' }}
                </span>
            </div>
        @endforeach
    </div>
    <div>
        <div class="soft">With the customer</div>
        <div class="figure">{{ $items->isEmpty() ? 'nothing' : Say::balance($money($chosen->documented())) }}</div>
        @foreach ($items->take(5) as $item)
            <div class="mt-1"><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(str_replace('_', ' ', $item->kind)) }}
                    {{ $item->document }}</a>, {{ Say::day($item->date) }}@if ($items->count() > 1)
                    <br><span class="slate">{{ Say::balance($money(($item->side === 'debit' ? 1 : -1) * $item->base)) }}</span>
                @endif
            </div>
        @endforeach
        @if (count($chosen->items) > 5)
            <details class="mt-1">
                <summary class="cursor-pointer text-green">{{ count($chosen->items) - 5 }} more</summary>
                @foreach ($items->skip(5) as $item)
                    <div><a href="{{ route('document', $item->root_id) }}">{{ $item->document }}</a>
                        {{ Say::balance($money(($item->side === 'debit' ? 1 : -1) * $item->base)) }}</div>
                @endforeach
            </details>
        @endif
        @if ($chosen->customer() !== '')
            <div class="mt-1">{{ $customers[$chosen->customer()] ?? $chosen->customer() }}</div>
        @endif
    </div>
</div>
