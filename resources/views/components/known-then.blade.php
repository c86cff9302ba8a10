@props(['at'])
{{-- An earlier knowledge is never shown unsaid. --}}
@if ($at?->knownAt)
    <div class="note mx-6 mt-3 -mb-3 col-span-full">You look at what was known on {{ App\Http\Say::moment($at->knownAt) }}.
        <a href="{{ request()->fullUrlWithQuery(['known_at' => '']) }}" data-hotkey="i">Back to what is known now <kbd>I</kbd></a></div>
@endif
