@use('App\Http\Say')
<form id="sending" method="post" action="{{ route('statements.send', $asked) }}" hx-post="{{ route('statements.send', $asked) }}" hx-swap="outerHTML"
    hx-target="#sending" @if ($sent > 0 && $waiting > 0 && request()->isMethod('post')) hx-trigger="load, submit" @endif class="foot" role="status">@csrf
    <span>{{ Say::count($sent, 'statement') }} sent, {{ number_format($waiting) }} wait{{ $without === 0 ? '' : ', ' . Say::count($without, 'customer') . ' without an address' }}
        @if ($sent > 0 && $waiting > 0)
            <progress max="{{ $sent + $waiting }}" value="{{ $sent }}"></progress>
        @endif
    </span>
    @if (Auth::user()->role->mayWrite())
        <button class="button main ml-auto" data-main @disabled($waiting === 0)>Send {{ Say::count($waiting, 'statement') }} <kbd>Ctrl ↵</kbd></button>
    @endif
</form>
