@props(['from', 'total'])
{{-- The rest of a long list comes as one scrolls to its end. --}}
@if ($total > $from)
    <tr>
        <td colspan="99"><a href="{{ request()->fullUrlWithQuery(['from' => $from]) }}" data-more="{{ $total }}" hx-get="{{ request()->fullUrlWithQuery(['from' => $from]) }}"
                hx-trigger="intersect once, click" hx-target="closest tr" hx-swap="outerHTML" hx-push-url="false">{{ number_format($total - $from) }} more</a></td>
    </tr>
@endif
