{{-- A total that came with a file, beside what its rows come to. --}}
@foreach ($declared as $name => $of)
    <p><span @class(['tag', 'green' => $of->agrees(), 'ochre' => !$of->agrees()])>{{ $of->agrees() ? 'agrees' : 'differs' }}</span> {{ $name }}:
        {{ $of->says() }} {{ $base->code }}</p>
@endforeach
@if ($writes)
    <details data-hotkey="t" @if (old('total')) open @endif>
        <summary class="cursor-pointer soft">A total came with a file <kbd>T</kbd></summary>
        <form method="post" action="{{ route('hand-in.declare', $token) }}" class="flex gap-3 items-end mt-1">@csrf
            <label class="grid">File <select name="file">
                    @foreach ($report->files as $file)
                        @if ($file->bookDebits !== null)
                            <option @selected(old('file') === $file->name)>{{ $file->name }}</option>
                        @endif
                    @endforeach
                </select></label>
            <label class="grid">Total <input type="text" inputmode="decimal" name="total" value="{{ old('total') }}" required class="w-36 text-right"></label>
            <button class="button">Compare</button>
        </form>
    </details>
@endif
