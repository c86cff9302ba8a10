@props(['subject'])
@php
    use App\Http\Say;
    use App\Queries\Questions;
    $writes = Auth::user()->role->mayWrite();
    $questionKey = bin2hex(random_bytes(12));
@endphp
@foreach (Questions::about($subject) as $question)
    <div class="note"><b>{{ $question->text }}</b> <span class="slate">{{ $question->who }} asks {{ $question->to_whom }}, by
            {{ Say::day($question->by_day) }}</span>
        @if ($question->answer !== null)
            <span class="block">{{ $question->answer }} <span class="slate">{{ $question->answered_by }}, {{ Say::moment($question->answered_at) }}</span></span>
        @elseif ($writes)
            <form method="post" action="{{ route('question.answer', $question->id) }}" class="flex gap-2 items-center mt-1">@csrf
                <input type="hidden" name="key" value="{{ $questionKey }}-{{ $question->id }}">
                <label class="grow">Answer <input type="text" name="answer" required class="w-full"></label>
                <button class="button py-0.5!">Keep</button>
            </form>
        @endif
    </div>
@endforeach
@if ($writes)
    <details class="mt-2" data-hotkey="z">
        <summary class="cursor-pointer soft">Ask somebody <kbd>Z</kbd></summary>
        <form method="post" action="{{ route('question') }}" class="grid gap-2 mt-1">@csrf
            <input type="hidden" name="key" value="{{ $questionKey }}">
            <input type="hidden" name="subject" value="{{ $subject }}">
            <textarea name="text" rows="2" required class="h-auto! w-full" aria-label="Question">{{ old('subject') === $subject ? old('text') : '' }}</textarea>
            <span class="flex flex-wrap gap-3 items-center">
                <label>To <input type="text" name="to" value="{{ old('subject') === $subject ? old('to') : '' }}" required class="w-44"></label>
                <label>By <x-day name="by" :value="old('subject') === $subject ? old('by') : ''" required /></label>
                <button class="button py-0.5!">Ask</button>
            </span>
        </form>
    </details>
@endif
