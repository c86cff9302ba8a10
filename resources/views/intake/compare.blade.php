@php use App\Http\Say; @endphp
<x-layout title="Two imports compared" station="intake">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>{{ $later->name }} against the one before</h1><a class="ml-auto" href="{{ route('import', $later->import_id) }}">Import
                {{ $later->import_id }}</a>
        </div>
        <p class="lead">Import {{ $later->import_id }} against import {{ $earlier->import_id }} ({{ $earlier->name }}):
            {{ number_format(count($comparison->added)) }} added, {{ number_format(count($comparison->changed)) }} changed,
            {{ number_format(count($comparison->vanished)) }} vanished, {{ number_format($comparison->same) }} the same.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">What</button>
                    </th>
                    @foreach ($headings as $heading)
                        <th scope="col">
                            <button type="button">{{ $heading }}</button>
                        </th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @foreach (array_slice($comparison->changed, 0, 2000) as [$before, $after])
                    <tr data-minor="0">
                        <td><span class="tag ochre">changed</span></td>
                        @foreach ($headings as $column => $heading)
                            <td>{{ ($before[$column] ?? '') === ($after[$column] ?? '') ? $after[$column] ?? '' : ($before[$column] ?? '') . ' → ' . ($after[$column] ?? '') }}
                            </td>
                        @endforeach
                    </tr>
                @endforeach
                @foreach ([['added', $comparison->added], ['vanished', $comparison->vanished]] as [$what, $rows])
                    @foreach (array_slice($rows, 0, 2000) as $cells)
                        <tr data-minor="0">
                            <td><span class="tag">{{ $what }}</span></td>
                            @foreach ($headings as $column => $heading)
                                <td>{{ $cells[$column] ?? '' }}</td>
                            @endforeach
                        </tr>
                    @endforeach
                @endforeach
            </tbody>
        </table>
        <x-table-foot name="compared" />
    </div>
</x-layout>
