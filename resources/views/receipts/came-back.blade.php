@php use Ajuste\Core\Money\Money; use App\Http\Say; @endphp
<p class="soft">Its matches are undone, the invoices are open again with their own age, and the fee is booked.</p>
@if ($writes)
    @forelse ($returns as $receipt)
        <form method="post" action="{{ route('receipts.returned', $receipt->root_id) }}" class="pairbox my-2">@csrf<input type="hidden" name="key" value="{{ $key }}-{{ $receipt->root_id }}"><input type="hidden" name="line" value="{{ $line->id }}">
            <div><a href="{{ route('document', $receipt->root_id) }}">{{ $receipt->document }}</a> of {{ Say::day($receipt->date) }}<br>{{ $receipt->name }} @if ($receipt->named)<span class="tag green">named by the bank</span>@elseif ($receipt->same)<span class="tag">same amount</span>@endif<div class="figure">{{ Money::ofMinor($receipt->amount, $receipt->currency)->grouped() }}</div></div>
            <div class="grid gap-1"><label>Fee <input type="text" inputmode="decimal" name="fee" value="{{ $receipt->fee > 0 ? Money::ofMinor($receipt->fee, $receipt->currency)->decimal() : '' }}" class="w-20 text-right"></label>
                <label><input type="checkbox" name="fee_to_customer" value="1"> the customer bears it</label><label>Reason <input type="text" name="reason" required value="{{ $line->remittance }}" class="w-48"></label><span><button class="button main" @if ($loop->first) data-main @endif>It came back</button></span></div>
        </form>
    @empty
        <div class="note">No receipt of this amount is found before {{ Say::day($line->bookingDate) }}. Open the receipt through the search and say there that it came back, or put the line out of the way.</div>
    @endforelse
    @include('receipts.elsewhere')
@endif
