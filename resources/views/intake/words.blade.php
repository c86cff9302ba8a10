@use('Ajuste\Core\Subledger\Kind')
@if ($reading->words() !== [])
    <h3>What the kinds of documents are</h3>
    <p class="soft">Said once, it is remembered for files of this shape.</p>
    <div class="flex flex-wrap gap-x-4 gap-y-2">
        @foreach ($reading->words() as $word => $meaning)
            <label class="flex gap-2 items-center">{{ $word }} is
                <input type="hidden" name="word[]" value="{{ $word }}">
                <select name="meaning[]" aria-label="What {{ $word }} is">
                    <option value=""></option>
                    @foreach (Kind::cases() as $kind)
                        <option value="{{ $kind->value }}" @selected($kind->value === $meaning)>{{ $kind->words() }}</option>
                    @endforeach
                </select></label>
        @endforeach
    </div>
@endif
