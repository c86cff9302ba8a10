@php($typed = static fn (string $field): string => old('letter') === (string) $of->id ? (string) old($field) : '')
<details class="not-open:inline" @if ($typed('answer') !== '') open @endif>
    <summary class="inline list-none cursor-pointer slate underline">{{ $of->agrees === null ? 'the answer' : 'another answer' }}</summary>
    <form method="post" action="{{ route('confirmations.answer', $of->id) }}" class="flex flex-wrap gap-2 items-center">@csrf
        <input type="hidden" name="key" value="{{ $key }}-{{ $of->id }}">
        <input type="hidden" name="sample" value="{{ $sample->id }}">
        <input type="hidden" name="letter" value="{{ $of->id }}">
        <label><input type="radio" name="answer" value="agrees" @checked($typed('answer') !== 'differs')> agrees</label>
        <label><input type="radio" name="answer" value="differs" @checked($typed('answer') === 'differs')> states</label>
        <input type="text" inputmode="decimal" name="states" value="{{ $typed('states') }}" class="w-28 text-right"
            aria-label="Balance that {{ $of->name }} states">
        <select name="side" aria-label="Side">
            <option value="debit">owed to us</option>
            <option value="credit" @selected($typed('side') === 'credit')>in the customer's favour</option>
        </select>
        <input type="text" name="words" value="{{ $typed('words') }}" placeholder="documents" aria-label="Documents and reasons" class="w-40">
        <button class="button py-0.5!">Keep</button>
    </form>
</details>
