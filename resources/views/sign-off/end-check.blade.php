@use('App\Queries\OwnChecks')
<details class="mt-1">
    <summary class="cursor-pointer slate">not checked any more</summary>
    <form method="post" action="{{ route('sign-off.end-check', OwnChecks::number($check)) }}" class="flex gap-2 mt-1">@csrf
        <input type="hidden" name="key" value="{{ $key }}-e{{ $loop->index }}">
        <input type="text" name="reason" required placeholder="reason" class="w-40" aria-label="Why it ends: {{ $check->words }}">
        <button class="button py-0.5!">End it</button>
    </form>
</details>
