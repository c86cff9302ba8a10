@use('App\Http\Say')
@if ($offer)
    <h2>Early payment discount</h2>
    <p class="soft">{{ $item->terms }}: {{ $amount($offer->whole($item->amount)) }} {{ $item->currency }},
        {{ $offer->lastDay() === null
            ? 'granted whatever the day'
            : ($offer->lastDay() === ''
                ? 'denied'
                : 'for payments with a value date up to ' . Say::day($offer->lastDay())) }}.
        To forgo it costs the customer {{ $offer->yearlyCostSimple() }} % a year ({{ $offer->yearlyCostCompound() }} % compound); to grant it costs us
        the same.
        @if ($decision)
            <span class="tag">{{ $decision->choice->words() }}: {{ $decision->reason }}</span>
        @endif
    </p>
    @if ($writes)
        <form method="post" action="{{ route('discount.decide', $item->root_id) }}" class="flex flex-wrap gap-3 items-center">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <select name="choice" aria-label="Decision on the discount">
                <option value="grant">grant it</option>
                <option value="deny">deny it</option>
                <option value="until">move its last day to</option>
            </select>
            <x-day name="until" aria-label="Last day" />
            <input type="text" name="reason" required placeholder="reason" aria-label="Reason" class="w-48">
            <button class="button py-0.5!">Decide</button>
        </form>
    @endif
@endif
