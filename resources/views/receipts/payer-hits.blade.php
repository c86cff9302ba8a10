<span id="payer-hits" class="contents">
    @foreach ($hits as $hit)
        @if ($hit->id !== $payer?->id)
            <a class="tag" href="{{ route('receipts', [...$here, 'customer' => $hit->id]) }}">{{ $hit->customer }} {{ $hit->name }}, by
                {{ $hit->by }}</a>
        @endif
    @endforeach
</span>
