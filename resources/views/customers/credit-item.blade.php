@if ($onlyOf === null && $of->itemId !== null)
    for <a href="{{ route('document', $of->itemId) }}">{{ $titles[$of->itemId] ?? "document {$of->itemId}" }}</a>
@endif
