@props(['sumOf' => 'Sum'])
<div class="table-foot">
    <span><span x-text="chosen">0</span> chosen</span>
    <span>{{ $sumOf }} <b x-text="sum"></b></span>
    <span x-text="shown" role="status"></span>
    <button type="button" x-on:click="all">All <kbd>A</kbd></button>
    <button type="button" x-on:click="none">None <kbd>N</kbd></button>
    <button type="button" x-on:click="copy">Copy <kbd>Y</kbd></button>
    {{ $slot }}
</div>
