@php use App\Http\Say; @endphp
<div id="rehearsal" class="mt-auto">
    @foreach ($rehearsal->match->ticks ?? [] as $tick)<data hidden data-item="{{ $tick->item->id }}" data-settles="{{ $tick->amount->grouped() }}" data-leaves="{{ $tick->leaves()->grouped() }}"></data>@endforeach
    @if ($rehearsal?->refusal)<div class="note bad" role="alert">{{ $rehearsal->refusal }}</div>@endif
    @if ($ribbons)<div class="picture"><x-svg.ribbons :ribbons="$ribbons"/></div>@endif
    <div class="foot">
        @if ($rehearsal && $rehearsal->unapplied !== null)
            <div><span>Stays loose</span> <b class="text-lg" id="remainder">{{ $rehearsal->unapplied->grouped() }}</b>
                <details><summary class="slate cursor-pointer">{{ Say::count(count($rehearsal->vouchers), 'voucher') }}; control account and customer fall alike</summary>@foreach ($rehearsal->vouchers as $voucher)<div class="slate mt-1">{{ $voucher->text }}</div><x-voucher :voucher="$voucher"/>@endforeach</details></div>
        @endif
        <button class="button main ml-auto" data-main @disabled(! $rehearsal || $rehearsal->unapplied === null)>Post and next <kbd>Ctrl ↵</kbd></button>
    </div>
</div>
