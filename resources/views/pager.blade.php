@if ($paginator->hasPages())
    <nav class="flex gap-4" aria-label="Pages">
        @if ($paginator->previousPageUrl())
            <a href="{{ $paginator->previousPageUrl() }}" rel="prev">Back</a>
        @endif
        <span class="slate">Page {{ $paginator->currentPage() }}</span>
        @if ($paginator->nextPageUrl())
            <a href="{{ $paginator->nextPageUrl() }}" rel="next">More</a>
        @endif
    </nav>
@endif
