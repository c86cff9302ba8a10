<details class="not-open:inline">
    <summary class="inline list-none cursor-pointer slate underline">{{ $of->agrees === null ? 'the answer' : 'another answer' }}</summary>
    <form method="post" action="{{ route('confirmations.answer', $of->id) }}" class="flex flex-wrap gap-2 items-center">@csrf
        <input type="hidden" name="key" value="{{ $key }}-{{ $of->id }}">
        <input type="hidden" name="sample" value="{{ $sample->id }}">
        <label><input type="radio" name="answer" value="agrees" checked> agrees</label>
        <label><input type="radio" name="answer" value="differs"> states</label>
        <input type="text" inputmode="decimal" name="states" class="w-28 text-right" aria-label="Balance that {{ $of->name }} states">
        <select name="side" aria-label="Side">
            <option value="debit">owed to us</option>
            <option value="credit">in the customer's favour</option>
        </select>
        <input type="text" name="words" placeholder="documents" aria-label="Documents and reasons" class="w-40">
        <button class="button py-0.5!">Keep</button>
    </form>
</details>
