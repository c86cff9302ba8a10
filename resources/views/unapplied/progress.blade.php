@php use App\Http\Say; @endphp
<span id="proposals" class="ml-auto" role="status"
    @if ($waiting > 0) hx-get="{{ route('unapplied.propose') }}" hx-trigger="load" hx-swap="outerHTML" @endif>
    @if ($waiting > 0)
        <span class="soft">Looking for what settles what: {{ number_format($of - $waiting) }} of {{ Say::count($of, 'customer') }} <progress
                max="{{ $of }}" value="{{ $of - $waiting }}"></progress></span>
    @elseif ($found > 0)
        <a class="button" href="{{ route('unapplied.run') }}" data-hotkey="g">See {{ Say::count($found, 'certain one') }} <kbd>G</kbd></a>
    @elseif ($others > 0)
        <a class="button" href="{{ route('unapplied.run') }}" data-hotkey="g">See what is proposed <kbd>G</kbd></a>
    @else
        <a href="{{ route('unapplied.run') }}">Runs</a>
    @endif
</span>
