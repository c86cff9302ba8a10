@props(['kind', 'item', 'document', 'key', 'choice'])
<details class="not-open:inline">
    <summary class="inline list-none cursor-pointer slate underline nowrap">
        {{ ['leave' => 'leave out', 'take' => 'take along', 'policy' => 'let the policy decide'][$choice] }}</summary>
    <form method="post" action="{{ route('run.choose', $kind->path()) }}" class="flex flex-wrap gap-x-2 items-center max-w-52">@csrf
        <input type="hidden" name="key" value="{{ $key }}-{{ $item }}">
        <input type="hidden" name="item" value="{{ $item }}">
        <input type="hidden" name="choice" value="{{ $choice }}">
        @if ($choice !== 'policy')
            <label>Because <input type="text" name="reason" required class="w-28"></label>
        @endif
        <button class="button py-0.5!">{{ ['leave' => 'Leave out', 'take' => 'Take along', 'policy' => 'Decide again'][$choice] }}
            <span class="visually-hidden">{{ $document }}</span></button>
    </form>
</details>
