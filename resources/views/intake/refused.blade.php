@use('App\Http\Say')
<h2>{{ Say::count($report->refusedCount, 'row') }} refused</h2>
<div x-data="grid">
    <x-filter />
    <table class="grid-table mt-2">
        <thead>
            <tr>
                <th scope="col">
                    <button type="button">File</button>
                </th>
                <th scope="col" class="n">
                    <button type="button">Row</button>
                </th>
                <th scope="col">
                    <button type="button">Column</button>
                </th>
                <th scope="col">
                    <button type="button">Found</button>
                </th>
                <th scope="col">
                    <button type="button">Expected</button>
                </th>
            </tr>
        </thead>
        <tbody>
            @foreach (array_slice($report->refused, 0, 500) as $row)
                <tr data-minor="0">
                    <td class="nowrap">{{ $row->file }}</td>
                    <td class="n">{{ $row->row === 0 ? '' : $row->row }}</td>
                    <td class="nowrap">{{ $row->field }}</td>
                    <td>{{ $row->value }}</td>
                    <td>{{ $row->expected }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
</div>
@if ($report->refusedCount > 500)
    <p class="slate">The first 500 are shown.</p>
@endif
