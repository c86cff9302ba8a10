<details class="not-open:inline">
    <summary class="inline list-none cursor-pointer slate underline">end it</summary>
    <form method="post" action="{{ route('credit.end', [$customer->id, $list, $id]) }}" class="flex gap-2 items-center">@csrf
        <input type="hidden" name="key" value="{{ $key }}-{{ $list }}-{{ $id }}">
        <input type="hidden" name="item" value="{{ $onlyOf }}">
        <label class="flex gap-2 items-center">Because <input type="text" name="reason" required class="w-32"></label>
        <button class="button py-0.5!">End it</button>
    </form>
</details>
