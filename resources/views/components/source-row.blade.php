@props(['source'])
@if ($source)
    <h2>
        Where it came from</h2>
    <p class="soft">Row {{ $source['row'] }} of <a href="{{ route('source-file', $source['file']->id) }}" hx-boost="false">{{ $source['file']->name }}</a>, <a
            href="{{ route('import', $source['file']->import_id) }}">import {{ $source['file']->import_id }}</a>.</p>
    <dl class="facts mt-2">
        @foreach ($source['cells'] as $name => $cell)
            @if ($cell !== '')
                <dt>{{ $name }}</dt>
                <dd>{{ $cell }}</dd>
            @endif
        @endforeach
    </dl>
@endif
