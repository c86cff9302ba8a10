@props(['label' => 'Filter', 'list' => ''])
<label class="flex gap-2 items-center">{{ $label }} <input type="search" data-filter x-on:input="filter" class="w-44"
        value="{{ request()->string(App\Http\ListWindow::parameter($list, 'words'))->limit(200, '') }}"> <kbd aria-hidden="true">F</kbd></label>
