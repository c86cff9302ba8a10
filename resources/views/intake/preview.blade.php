@php
    use Ajuste\Core\Exchange\DateOrder;
    use Ajuste\Core\Exchange\FileKind;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
    $something = !$report->changesNothing();
@endphp
<x-layout title="What would happen" station="intake">
    <div class="pane">
        <h1>What would happen</h1>
        <p class="lead">Nothing is stored yet. All files are taken in as one, or none.</p>
        <x-import-files :files="array_map(fn($file) => $file->toArray(), $report->files)" :base="$base" />
        <p class="slate mt-2">The second figure is what the books hold for the days of the file once it is in. In red it differs: the books have rows that the
            file has not, such as own vouchers.</p>
        @include('intake.declared')
        @if ($report->needless > 0)
            <div class="note">{{ Say::count($report->needless, 'correction') }} of yours will no longer be needed: the files mend the same at the
                source. Proof names them, and one key reverses them all.</div>
        @endif
        @if ($report->refusedCount > 0)
            @include('intake.refused')
        @endif
        @if ($writes)
            @include('intake.take')
        @endif
        <h2>How each file is read</h2>
        @foreach ($readings as $reading)
            <details class="border-b border-line py-2" @if ($reading->needsAPerson) open @endif>
                <summary class="cursor-pointer">{{ $reading->name }} <span class="slate">as {{ $reading->mapping->kind->value }},
                        {{ $reading->mapping->isHouseFormat()
                            ? 'in the house format'
                            : 'dates ' . $reading->mapping->dates->words() . ', decimals behind “' . $reading->mapping->decimalMark . '”' }}</span>
                    @if ($reading->needsAPerson)
                        <span class="tag ochre">say how</span>
                    @endif
                </summary>
                <form method="post" action="{{ route('hand-in.map', $token) }}" class="mt-3 grid gap-3">@csrf
                    <input type="hidden" name="file" value="{{ $reading->name }}">
                    <input type="hidden" name="habit" value="{{ $reading->habit()->value }}">
                    <div class="flex flex-wrap gap-4 items-end">
                        <label class="grid">What it holds <select name="kind">
                                @foreach (FileKind::cases() as $kind)
                                    <option @selected($kind === $reading->mapping->kind)>{{ $kind->value }}</option>
                                @endforeach
                            </select>
                        </label>
                        <label class="grid">Headings stand in row <input type="text" inputmode="numeric" name="header_row"
                                value="{{ $reading->mapping->headerRow }}" class="w-16"></label>
                        <label class="grid">Dates <select name="dates">
                                @foreach (DateOrder::cases() as $order)
                                    <option value="{{ $order->value }}" @selected($order === $reading->mapping->dates)>{{ $order->words() }}</option>
                                @endforeach
                            </select>
                        </label>
                        <label class="grid">Decimals behind <select name="decimal_mark">
                                <option value="." @selected($reading->mapping->decimalMark === '.')>a point</option>
                                <option value="," @selected($reading->mapping->decimalMark === ',')>a comma</option>
                            </select>
                        </label>
                        <button class="button">Read it so</button>
                    </div>
                    <table class="grid-table">
                        <thead>
                            <tr>
                                <th scope="col">Field</th>
                                <th scope="col">Column of the file</th>
                                <th scope="col">or the same for every row</th>
                                <th scope="col">First rows</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($reading->fields() as $name => [$words, $needed])
                                @php $column = $reading->mapping->columns[$name] ?? null; @endphp
                                <tr>
                                    <td>{{ $words }}@if ($needed)
                                            <span class="slate"> needed</span>
                                        @endif
                                    </td>
                                <td>
                                    <select name="columns[{{ $name }}]" aria-label="Column for {{ $words }}">
                                        <option value=""></option>
                                        @foreach ($reading->headings() as $place => $heading)
                                            <option value="{{ $place }}" @selected($column === $place)>
                                                {{ $heading === '' ? 'column ' . ($place + 1) : $heading }}</option>
                                        @endforeach
                                    </select>
                                </td>
                                <td>
                                    <input type="text" name="fixed[{{ $name }}]" value="{{ $reading->mapping->fixed[$name] ?? '' }}"
                                        aria-label="{{ $words }} of every row" class="w-28">
                                </td>
                                <td class="soft">
                                    {{ $column === null ? '' : implode(' · ', array_map(fn($cells) => $cells[$column] ?? '', $reading->sample())) }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @include('intake.words')
            </form>
        </details>
    @endforeach
</div>
</x-layout>
