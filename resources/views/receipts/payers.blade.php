<div class="flex flex-wrap gap-2 items-center mb-2">
    @foreach ($chosen->payers as $other)
        @if ($other->customerId !== $payer?->id && isset($names[$other->customerId]))
            <a class="tag" href="{{ route('receipts', [...$here, 'customer' => $other->customerId]) }}">{{ $names[$other->customerId]->name }},
                {{ $other->why }}</a>
        @endif
    @endforeach
    @include('receipts.payer-hits')
    <form action="{{ route('receipts') }}" class="flex gap-2 items-center">
        <input type="hidden" name="line" value="{{ $line->id }}">
        <input type="hidden" name="kind" value="{{ $kind }}">
        <label for="payer" class="visually-hidden">Another payer</label>
        <input id="payer" type="search" name="payer" data-hotkey="b" value="{{ $asked }}" placeholder="payer: number, name, account or document"
            class="w-72" hx-get="{{ route('receipts.payers') }}" hx-trigger="input changed delay:200ms" hx-target="#payer-hits" hx-swap="outerHTML"
            hx-include="closest form" hx-push-url="false" autocomplete="off"><kbd aria-hidden="true">B</kbd>
        <button class="visually-hidden">Find the payer</button>
    </form>
</div>
