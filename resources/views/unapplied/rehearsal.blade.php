@php
    use App\Http\Say;
    $plan = $rehearsal->plan;
    $vouchers = $plan?->vouchers() ?? [];
    $remainder = $rehearsal->remainder();
@endphp
<div id="rehearsal" class="mt-auto">
    @foreach ($rehearsal->ticks as $tick)
        <data hidden data-item="{{ $tick->item->id }}" data-settles="{{ $tick->amount->grouped() }}" data-leaves="{{ $tick->leaves()->grouped() }}"></data>
    @endforeach
    @if ($rehearsal->refusal !== null && $rehearsal->ticks !== [] && $remainder !== null && !$remainder->isZero())
        {{-- the remainder below says it --}}
    @elseif ($rehearsal->refusal !== null)
        <div class="note bad" role="alert">{{ $rehearsal->refusal }}</div>
    @endif
    @foreach ($plan->notes->warnings ?? [] as $warning)
        <div class="note">{{ $warning }}</div>
    @endforeach
    <div class="foot">
        <div>
            @if ($remainder !== null)
                <span>Still to place</span> <b class="text-lg {{ $remainder->isZero() ? '' : 'text-madder' }}"
                    id="remainder">{{ $remainder->abs()->grouped() }}</b>
                @unless ($remainder->isZero())
                    <span class="slate">of the {{ $remainder->isPositive() ? 'debits' : 'credits' }}</span>
                @endunless
            @elseif ($rehearsal->refusal === null)
                <span class="slate">Nothing is ticked.</span>
            @endif
            @if ($plan)
                <div class="slate">
                    {{ $vouchers !== []
                        ? 'The vouchers go to the customer and the ledger alike; the proof line stays.'
                        : "The customer's balance and the proof line stay as they are." }}
                    Dated {{ Say::day($plan->settlements[0]->date) }}.</div>
                @if ($vouchers !== [])
                    <details>
                        <summary class="slate cursor-pointer">{{ Say::count(count($vouchers), 'voucher') }}</summary>
                        @foreach ($vouchers as $voucher)
                            <div class="slate mt-1">{{ $voucher->text }}</div><x-voucher :text="$voucher->text" :lines="$voucher->lines" />
                        @endforeach
                    </details>
                @endif
            @endif
        </div>
        <input type="hidden" name="seen" value="{{ $rehearsal->digest() }}">
        <button class="button main ml-auto" data-main
            @disabled(!$plan)>{{ $plan ? 'Post ' . $rehearsal->settled()->grouped() . ' and next' : 'Post and next' }} <kbd>Ctrl ↵</kbd></button>
    </div>
</div>
@isset($apart)<div id="ribbons" hx-swap-oob="true">
        @if ($ribbons)
            <x-svg.ribbons :ribbons="$ribbons" />
        @endif
</div>@endisset
