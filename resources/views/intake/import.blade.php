@php use App\Http\Say; @endphp
<x-layout title="Import {{ $import->id }}" station="intake">
    <div class="pane">
        <p><a href="{{ route('intake') }}">Imports</a></p>
        <h1>Import {{ $import->id }}</h1>
        <p class="lead">{{ $import->source }}, taken in {{ Say::moment($import->recorded_at) }} by {{ $import->who }}. A file's name fetches it as it came.
        </p>
        <x-import-files :files="$files->map(fn($file) => [...json_decode($file->report, true), 'link' => route('source-file', $file->id)])->all()" :base="$base" />
        <p class="mt-2 flex flex-wrap gap-3">
            @foreach ($files as $file)
                @if (Ajuste\Core\Exchange\FileKind::tryFrom($file->kind) !== null && $import->id > 1)
                    <a href="{{ route('intake.compare', ['file' => $file->id]) }}">{{ $file->name }} against the one before</a>
                @endif
            @endforeach
        </p>
        @if ($aside->isNotEmpty())
            <h2>Rows set aside</h2>
            <table class="grid-table">
                <thead>
                    <tr>
                        <th scope="col">File and row</th>
                        <th scope="col">What is wrong</th>
                        <th scope="col">The row</th>
                        <th scope="col">State</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($aside as $row)
                        <tr>
                            <td class="nowrap">{{ $row->name }}, {{ $row->row }}</td>
                            <td>{{ $row->field }} “{{ $row->value }}”: {{ $row->expected }}</td>
                            <td class="soft">{{ $row->line }}</td>
                            <td>{{ $row->reason === null ? 'open' : "closed by {$row->closed_by}: {$row->reason}" }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </div>
</x-layout>
