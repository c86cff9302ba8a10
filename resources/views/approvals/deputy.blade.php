@if (Auth::user()->deputyOf() !== '')
    <span class="soft">As deputy of {{ Auth::user()->deputyOf() }}</span>
@endif
