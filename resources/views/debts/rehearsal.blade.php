<div id="rehearsal" class="flex flex-col grow">
    @if ($refusal !== '')
        <div class="note bad" role="alert">{{ $refusal }}</div>
    @endif
    @foreach ($plan?->vouchers() ?? [] as $voucher)
        <x-voucher :text="$voucher->text" :lines="$voucher->lines" />
    @endforeach
    <input type="hidden" name="seen" value="{{ $plan?->digest() }}">
    <div class="foot mt-auto">
        <div class="slate">
            @if ($plan === null)
                Nothing is written off yet.
            @elseif ($why !== '')
                A second person approves it: {{ $why }}.
            @endif
        </div>
        <button class="button main ml-auto" data-main @disabled($plan === null)>{{ $why === '' ? 'Write off' : 'Ask for approval' }}
            <kbd>Ctrl ↵</kbd></button>
    </div>
</div>
