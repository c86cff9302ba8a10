@props(['kind', 'item', 'document', 'key', 'choice'])
<details>
    <summary class="cursor-pointer slate">{{ ['leave' => 'leave out', 'take' => 'take along', 'policy' => 'let the policy decide'][$choice] }}</summary>
    <form method="post" action="{{ route('run.choose', $kind->path()) }}" class="flex gap-2 items-center">@csrf
        <input type="hidden" name="key" value="{{ $key }}-{{ $item }}">
        <input type="hidden" name="item" value="{{ $item }}">
        <input type="hidden" name="choice" value="{{ $choice }}">
        @if ($choice !== 'policy')
            <label>Because <input type="text" name="reason" required class="w-36"></label>
        @endif
        <button class="button py-0.5!">{{ ['leave' => 'Leave out', 'take' => 'Take along', 'policy' => 'Decide again'][$choice] }}
            {{ $document }}</button>
    </form>
</details>
