@php use App\Http\Say; @endphp
<div id="rehearsal" class="mt-auto">
    @foreach ($rehearsal->ticks ?? [] as $tick)
        <data hidden data-item="{{ $tick->item->id }}" data-settles="{{ $tick->amount->grouped() }}" data-leaves="{{ $tick->leaves()->grouped() }}"></data>
    @endforeach
    @if ($rehearsal?->refusal)
        <div @class([
            'note',
            'bad' =>
                $rehearsal->shares === null || $rehearsal->shares->toExplain->isZero(),
        ]) role="alert">{{ $rehearsal->refusal }}</div>
    @endif
    @foreach ($rehearsal?->plan->notes->warnings ?? [] as $warning)
        <div class="note">{{ $warning }}</div>
    @endforeach
    <div class="foot">
        <div class="min-w-0">
            @if ($rehearsal?->shares)
                <span>To explain</span> <b class="text-lg" id="remainder">{{ $rehearsal->shares->toExplain->grouped() }}</b>
                @unless ($rehearsal->shares->unapplied->isZero())
                    <span class="ml-3">stays unapplied <b>{{ $rehearsal->shares->unapplied->grouped() }}</b></span>
                @endunless
                @unless ($rehearsal->shares->deposit->isZero())
                    <span class="ml-3">deposit <b>{{ $rehearsal->shares->deposit->grouped() }}</b></span>
                @endunless
            @endif
            @if ($effect ?? null)
                <details>
                    <summary class="slate cursor-pointer">{{ Say::count(count($rehearsal->plan->vouchers()), 'voucher') }}; customer then
                        {{ Say::balance($effect->balance) }}, difference {{ Say::balance($effect->difference) }}</summary>
                    @foreach ($rehearsal->plan->vouchers() as $voucher)
                        <div class="slate mt-1">{{ $voucher->text }}</div><x-voucher :text="$voucher->text" :lines="$voucher->lines" />
                    @endforeach
                </details>
            @endif
        </div>
        <input type="hidden" name="seen" value="{{ $rehearsal?->digest() }}">
        <span class="ml-auto flex gap-2">
            <button @class(['button', 'main' => $line->origin->batchId]) formaction="{{ route('receipts.draft', $line->id) }}" formnovalidate data-hotkey="s"
                @if ($line->origin->batchId) data-main @endif>{{ $line->origin->batchId ? 'Keep for the batch' : 'Draft' }} <kbd>S</kbd></button>
            @unless ($line->origin->batchId)
                <button class="button main" data-main @disabled(!$rehearsal?->plan)>Post and next <kbd>Ctrl ↵</kbd></button>
            @endunless
        </span>
    </div>
</div>
@if ($rehearsal)
    <div id="ribbons" hx-swap-oob="true">
        @if ($ribbons && $rehearsal->plan?->matches)
            <x-svg.ribbons :ribbons="$ribbons" />
        @endif
    </div>
@endif
