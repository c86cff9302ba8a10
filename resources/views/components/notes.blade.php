@props(['subject'])
@php
    use App\Http\Say;
    use App\Queries\Notes;
    $notes = Notes::of($subject);
    $writes = Auth::user()->role->mayWrite();
    $noteKey = bin2hex(random_bytes(12));
@endphp
@foreach ($notes as $note)
    <div class="note">
        <span class="whitespace-pre-line">{{ $note->text }}</span>
        @if ($note->link !== '')
            <a href="{{ $note->link }}" rel="noreferrer noopener" target="_blank">{{ $note->link }}</a>
        @endif
        @if ($note->file_name !== '')
            <a href="{{ route('note.file', $note->id) }}" hx-boost="false">{{ $note->file_name }}</a> <span
                class="slate">{{ number_format(max(1, $note->file_bytes / 1024)) }} KB</span>
        @endif
        <span class="slate block">{{ $note->who }}, {{ Say::moment($note->recorded_at) }} @if ($writes)
                <form method="post" action="{{ route('note.strike', $note->id) }}" class="inline">@csrf
                    <input type="hidden" name="key" value="{{ $noteKey }}-{{ $note->id }}">
                    <button class="underline cursor-pointer">strike out</button>
                </form>
            @endif
        </span>
    </div>
@endforeach
@if ($writes)
    <details class="mt-2" data-hotkey="m">
        <summary class="cursor-pointer soft">Note, file or link <kbd>M</kbd></summary>
        <form method="post" action="{{ route('note') }}" enctype="multipart/form-data" hx-boost="false" class="grid gap-2 mt-1">@csrf
            <input type="hidden" name="key" value="{{ $noteKey }}">
            <input type="hidden" name="subject" value="{{ $subject }}">
            <textarea name="text" rows="2" class="h-auto! w-full" aria-label="Note">{{ old('subject') === $subject ? old('text') : '' }}</textarea>
            <span class="flex flex-wrap gap-3 items-center">
                <label>Link <input type="text" name="link" value="{{ old('subject') === $subject ? old('link') : '' }}" placeholder="https://"
                        class="w-52"></label>
                <input type="file" name="file" aria-label="File to attach" class="w-56">
                <button class="button py-0.5!">Keep</button>
            </span>
        </form>
    </details>
@endif
