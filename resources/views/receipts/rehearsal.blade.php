@php use App\Http\Say; @endphp
<div id="rehearsal" class="mt-auto">
    @foreach ($rehearsal->ticks ?? [] as $tick)<data hidden data-item="{{ $tick->item->id }}" data-settles="{{ $tick->amount->grouped() }}" data-leaves="{{ $tick->leaves()->grouped() }}"></data>@endforeach
    @if ($rehearsal?->refusal)<div @class(['note', 'bad' => $rehearsal->settlement === null || $rehearsal->settlement->toExplain->isZero()]) role="alert">{{ $rehearsal->refusal }}</div>@endif
    @foreach ($rehearsal->warnings ?? [] as $warning)<div class="note">{{ $warning }}</div>@endforeach
    <div class="foot">
        <div class="min-w-0">
            @if ($rehearsal?->settlement)
                <span>To explain</span> <b class="text-lg" id="remainder">{{ $rehearsal->settlement->toExplain->grouped() }}</b>
                @unless ($rehearsal->settlement->unapplied->isZero())<span class="ml-3">stays loose <b>{{ $rehearsal->settlement->unapplied->grouped() }}</b></span>@endunless
                @unless ($rehearsal->settlement->deposit->isZero())<span class="ml-3">deposit <b>{{ $rehearsal->settlement->deposit->grouped() }}</b></span>@endunless
            @endif
            @if ($rehearsal?->canBePosted())
                <details><summary class="slate cursor-pointer">{{ Say::count(count($rehearsal->vouchers), 'voucher') }}; customer then {{ Say::balance($rehearsal->balance) }}, difference {{ Say::balance($rehearsal->figures->difference) }}</summary>@foreach ($rehearsal->vouchers as $voucher)<div class="slate mt-1">{{ $voucher->text }}</div><x-voucher :voucher="$voucher"/>@endforeach</details>
            @endif
        </div>
        <span class="ml-auto flex gap-2">
            <button @class(['button', 'main' => $line->batchId]) formaction="{{ route('receipts.draft', $line->id) }}" formnovalidate data-hotkey="s" @if ($line->batchId) data-main @endif>{{ $line->batchId ? 'Keep for the batch' : 'Draft' }} <kbd>S</kbd></button>
            @unless ($line->batchId)<button class="button main" data-main @disabled(! $rehearsal?->canBePosted())>Post and next <kbd>Ctrl ↵</kbd></button>@endunless
        </span>
    </div>
</div>
@if ($rehearsal)<div id="ribbons" hx-swap-oob="true">@if ($ribbons && $rehearsal->match)<x-svg.ribbons :ribbons="$ribbons"/>@endif</div>@endif
