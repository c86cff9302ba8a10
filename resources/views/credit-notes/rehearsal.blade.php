<div id="rehearsal" class="flex flex-col grow">
    @if (($refusal ?? $rehearsal?->refusal ?? '') !== '')<div class="note bad" role="alert">{{ $refusal ?? $rehearsal->refusal }}</div>@endif
    @if ($rehearsal?->voucher)<x-voucher :voucher="$rehearsal->voucher"/>@endif
    <div class="foot mt-auto">
        <div>@if ($rehearsal?->note)Net {{ $rehearsal->note->net->grouped() }}, tax {{ $rehearsal->note->gross->minus($rehearsal->note->net)->grouped() }}, together <b class="text-lg">{{ $rehearsal->note->gross->grouped() }}</b> {{ $rehearsal->note->gross->currency->code }}<div class="slate">Ledger and customer move alike; the proof line's difference stays.</div>@else<span class="slate">Nothing is credited yet.</span>@endif</div>
        <button class="button main ml-auto" data-main @disabled(! $rehearsal?->note)>Post the credit note <kbd>Ctrl ↵</kbd></button>
    </div>
</div>
