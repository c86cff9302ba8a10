<x-layout :title="$work->kind()->words()">
    <div class="pane">
        <h1>{{ $work->kind()->words() }}</h1>
        <p class="lead">Begun by {{ $work->actor()->who }}. You can go elsewhere or close the page; the desk leads back here.</p>
        @include('work.progress')
    </div>
</x-layout>
