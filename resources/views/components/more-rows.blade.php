@props(['from', 'total', 'list' => '', 'scrolls' => true])
{{-- The rest of a long list comes as one scrolls to its end; where another list follows, when it is asked for. --}}
@if ($total > $from)
    @php $address = request()->fullUrlWithQuery([App\Http\ListWindow::parameter($list, 'from') => $from]); @endphp
    <tr>
        <td colspan="99"><a href="{{ $address }}" data-more="{{ $total }}" hx-get="{{ $address }}" hx-trigger="{{ $scrolls ? 'intersect once, click' : 'click' }}"
                hx-target="closest tr" hx-swap="outerHTML" hx-push-url="false">{{ number_format($total - $from) }} more</a></td>
    </tr>
@endif
