@php $reason = $signOff->reasons[$check->name] ?? ''; @endphp
@if ($reason !== '')
    <span class="soft">{{ $reason }}</span>
@elseif ($user->role->mayWrite())
    <form method="post" action="{{ route('sign-off.explain') }}" class="flex gap-2">@csrf
        <input type="hidden" name="key" value="{{ $key }}-{{ $loop->index }}">
        <input type="hidden" name="check" value="{{ $check->name }}">
        <input type="text" name="reason" required placeholder="reason" class="w-40" aria-label="Why it may stand: {{ $check->words }}">
        <button class="button py-0.5!">Explain</button>
    </form>
@endif
