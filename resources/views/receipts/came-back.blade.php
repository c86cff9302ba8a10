@use('App\Http\Say')
<p class="soft">
    Its matches are undone, the invoices are open again with their own age, and the fee is booked.</p>
@if ($writes)
    @forelse ($returns as $receipt)
        <form method="post" action="{{ route('receipts.returned', $receipt->itemId) }}" class="pairbox my-2">
            @csrf
            <input type="hidden" name="key" value="{{ $key }}-{{ $receipt->itemId }}">
            <input type="hidden" name="line" value="{{ $line->id }}">
            <div>
                <a href="{{ route('document', $receipt->itemId) }}">{{ $receipt->document }}</a> of {{ Say::day($receipt->date) }}<br>
                {{ $receipt->customer }}
                @if ($receipt->isNamed)
                    <span class="tag green">named by the bank</span>
                @elseif ($receipt->isSame)
                    <span class="tag">same amount</span>
                @endif
                <div class="figure">{{ $receipt->amount->grouped() }}</div>
            </div>
            <div class="grid gap-1">
                <label>Fee <input type="text" inputmode="decimal" name="fee" class="w-20 text-right"
                        value="{{ $receipt->fee->isPositive() ? $receipt->fee->decimal() : '' }}"></label>
                <label>
                    <input type="checkbox" name="fee_to_customer" value="1"> the customer bears it</label>
                <label>Reason <input type="text" name="reason" required value="{{ $line->whyReturned() }}" class="w-48"></label>
                <span>
                    <button class="button main" @if ($loop->first) data-main @endif>It came back</button>
                </span>
            </div>
        </form>
    @empty
        <div class="note">No receipt of this amount is found before {{ Say::day($line->dates->booking) }}. Open the receipt through the search and say there
            that it came back, or put the line out of the way.</div>
    @endforelse
    @include('receipts.elsewhere')
@endif
