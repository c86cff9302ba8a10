<div id="rehearsal" class="flex flex-col grow">
    @if ($refusal !== '')
        <div class="note bad" role="alert">{{ $refusal }}</div>
    @endif
    @foreach ($rehearsal?->plan?->vouchers() ?? [] as $voucher)
        <x-voucher :text="$voucher->text" :lines="$voucher->lines" />
    @endforeach
    <input type="hidden" name="seen" value="{{ $rehearsal?->digest() }}">
    <div class="foot mt-auto">
        <div>
            @if ($note)
                Net {{ $note->net->grouped() }}, tax {{ $note->tax()->grouped() }}, together
                <b class="text-lg">{{ $note->gross->grouped() }}</b> {{ $note->gross->currency->code }}<div class="slate">Ledger and customer move alike; the
                    proof line's difference stays.{{ $why === '' ? '' : " A second person approves it: {$why}." }}</div>
            @else
                <span class="slate">Nothing is credited yet.</span>
            @endif
        </div>
        <button class="button main ml-auto" data-main @disabled(!$note)>{{ $why === '' ? 'Post the credit note' : 'Ask for approval' }} <kbd>Ctrl ↵</kbd></button>
    </div>
</div>
