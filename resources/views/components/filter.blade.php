@props(['label' => 'Filter'])
<label class="flex gap-2 items-center">{{ $label }} <input type="search" data-filter x-on:input="filter" value="{{ request()->string('words')->limit(200, '') }}" class="w-44"> <kbd
        aria-hidden="true">F</kbd></label>
