<x-layout title="Row set aside" station="intake">
    <div class="pane">
        <p><a href="{{ route('intake') }}">Intake</a></p>
        <h1>Row {{ $row->row->row }} of {{ $row->row->name }}</h1>
        <div class="note">It was refused: {{ str_replace('_', ' ', $row->row->field) }} “{{ $row->row->value }}”: {{ $row->row->expected }}.</div>
        @if ($row->mapping === null)
            <p class="soft">This file is no list of rows, so that nothing can be corrected here. Hand in the file again, or close the row on Intake.</p>
            <p class="soft">{{ $row->row->line }}</p>
        @else
            <p class="lead">Correct it as the file writes. The source file stays as it came; the corrected row is taken in beside it, and both can be seen.</p>
            <form method="post" action="{{ route('row.correct', $row->row->id) }}">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <table class="grid-table">
                    <thead>
                        <tr>
                            <th scope="col">Field</th>
                            <th scope="col">Heading in the file</th>
                            <th scope="col">In the file</th>
                            <th scope="col">Correct</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($row->fields() as $column => [$means, $heading, $text])
                            <tr>
                                <td>{{ $means }}</td>
                                <td class="slate">{{ $heading }}</td>
                                <td>{{ $text }}</td>
                                <td><input type="text" name="cells[{{ $column }}]" value="{{ old("cells.{$column}", $text) }}" class="w-72"
                                        aria-label="{{ $means }}, corrected" @if (str_replace('_', ' ', $row->row->field) === $means) autofocus @endif></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <p class="mt-4"><button class="button main" data-main>Take it in so <kbd>Ctrl ↵</kbd></button></p>
            </form>
        @endif
    </div>
</x-layout>
