<h2 class="title">This line is not to be placed</h2>
<p class="lead">
    @if ($place?->item_id)
        It became <a href="{{ route('document', $place->item_id) }}">a receipt</a>, by {{ $place->who }}.
    @elseif ($place?->posting_id)
        It confirms <a href="{{ route('posting', $place->posting_id) }}">a posting</a>, by {{ $place->who }}.
    @elseif ($place)
        It has its place: {{ $place->reason ?: str_replace('_', ' ', $place->kind) }}, by {{ $place->who }}. <a
            href="{{ route('receipts.placed') }}">Take it back</a>
    @else
        There is no such line any more, or it counts as another one. Choose one from the list.
    @endif
</p>
