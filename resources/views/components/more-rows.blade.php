@props(['from', 'total', 'list' => ''])
{{-- The rest of a long list comes as one scrolls to its end. --}}
@if ($total > $from)
    @php $address = request()->fullUrlWithQuery([App\Http\ListWindow::parameter($list, 'from') => $from]); @endphp
    <tr>
        <td colspan="99"><a href="{{ $address }}" data-more="{{ $total }}" hx-get="{{ $address }}" hx-trigger="intersect once, click"
                hx-target="closest tr" hx-swap="outerHTML" hx-push-url="false">{{ number_format($total - $from) }} more</a></td>
    </tr>
@endif
