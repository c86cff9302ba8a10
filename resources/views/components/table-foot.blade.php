@props(['sumOf' => 'Sum', 'name' => 'table'])
<div class="table-foot">
    <span><span x-text="chosen">0</span> chosen</span>
    <span>{{ $sumOf }} <b x-text="sum"></b></span>
    <template x-for="one in sums"><span class="slate" x-text="one"></span></template>
    <span x-text="shown" role="status"></span>
    <button type="button" x-on:click="all">All <kbd>A</kbd></button>
    <button type="button" x-on:click="none">None <kbd>N</kbd></button>
    <button type="button" x-on:click="copy">Copy <kbd>Y</kbd></button>
    <details class="relative">
        <summary class="cursor-pointer">Columns</summary>
        <div class="absolute bottom-full left-0 bg-sheet border border-line-strong p-3 grid gap-1 z-10 whitespace-nowrap" x-ref="columns"></div>
    </details>
    @foreach (['csv', 'xlsx'] as $format)
        <form method="post" action="{{ route('table', $format) }}" hx-boost="false" x-on:submit="fill">@csrf
            <input type="hidden" name="rows">
            <input type="hidden" name="name" value="{{ Str::slug($name) }}">
            <button>{{ strtoupper($format) }}</button>
        </form>
    @endforeach
    {{ $slot }}
</div>
