@if ($inReview && $user->mayReview())
    <form method="post" action="{{ route('sign-off.send-back') }}" class="flex gap-2 items-end mt-2">@csrf
        <input type="hidden" name="key" value="{{ $key }}-b">
        <label class="grow">What is to be changed <input type="text" name="words" required class="w-full" data-hotkey="b"></label>
        <button class="button">Send back <kbd>B</kbd></button>
    </form>
@endif
<form method="post" action="{{ route('sign-off.sign') }}" class="foot">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <input type="hidden" name="seen" value="{{ $signOff->figures->digest() }}">
    @if ($inReview && !$user->mayReview())
        <label class="grow">Outside reviewer: day and evidence <input type="text" name="outside" required class="w-full"></label>
    @endif
    @includeWhen($inReview, 'approvals.deputy')
    <button class="button main ml-auto" data-main @disabled(!$inReview && $open !== [])>
        {{ $inReview ? "Sign second and lock {$signOff->period->name}" : "Sign {$signOff->period->name}" }} <kbd>Ctrl ↵</kbd></button>
</form>
