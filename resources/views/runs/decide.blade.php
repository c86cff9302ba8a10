@php
    use App\Http\Say;
    $user = Auth::user();
    $path = $kind->path();
@endphp
@if ($answer && $answer->answer === 'sent_back' && !$request)
    <div class="note">Sent back by {{ $answer->who }}, {{ Say::moment($answer->recorded_at) }}: {{ $answer->words }}</div>
@endif
@if ($request)
    <div class="note">{{ $request->who }} asked for approval on {{ Say::moment($request->recorded_at) }}: {{ $request->why }}.
        @unless ($unchanged)
            <b>What would be posted has changed since. It has to be looked at and asked for again.</b>
        @endunless
    </div>
    @include('approvals.answer', [
        'what' => ($what ?? Say::count($lines, 'line')) . ', ' . $run->total()->grouped(),
        'lines' => $lines,
    ])
@endif
@if ($user->role->mayWrite() && $vouchers > 0 && !($request && $unchanged))
    <form method="post" action="{{ route($why === '' ? 'run.post' : 'run.ask', $path) }}" class="foot">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="seen" value="{{ $digest }}">
        <input type="hidden" name="lines" value="{{ $lines }}">
        @if ($why !== '')
            <span class="slate">A second person approves it: {{ $why }}.</span>
        @endif
        <button class="button main ml-auto" data-main>{{ $why === '' ? $verb : 'Ask for approval of' }}
            {{ $what ?? Say::count($lines, 'line') }}, {{ $run->total()->grouped() }} <kbd>Ctrl ↵</kbd></button>
    </form>
@endif
