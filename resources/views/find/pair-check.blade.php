@php use Ajuste\Core\Proof\PairCheck; @endphp
<x-layout title="Check pairs of a list" station="proof" class="halves">
    <div class="pane" @if ($told !== []) x-data="grid" @endif>
        <div class="flex items-baseline gap-4">
            <h1>Check pairs of a list</h1><a class="ml-auto" href="{{ route('find') }}">Find an amount</a>
        </div>
        @if ($told === [])
            <p class="lead">Paste a list that somebody keeps: two columns of amounts, or one in which charged and paid stand mixed. What has a counterpart,
                what has none and what is there twice is told row by row.</p>
        @else
            <p class="lead">{{ number_format(count($told)) }} rows:
                {{ implode(', ', array_map(fn($what) => number_format($counts[$what] ?? 0) . ' ' . $what, [PairCheck::PAIRED, PairCheck::ALONE, PairCheck::TWICE])) }}.
            </p>
            @foreach (array_slice($faults, 0, 5) as $fault)
                <div class="note bad" role="alert">{{ $fault }}</div>
            @endforeach
            <x-filter label="Filter, such as “without”" />
            <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
                <thead>
                    <tr>
                        <th scope="col">
                            <button type="button">Row</button>
                        </th>
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
                    @foreach (array_slice($rows, 0, 5000) as $place => $cells)
                        <tr data-minor="0">
                            <td>{{ $place + 2 }}</td>
                            <td class="nowrap"><span @class([
                                'tag',
                                'green' => $told[$place][0] === PairCheck::PAIRED,
                                'ochre' => $told[$place][0] !== PairCheck::PAIRED,
                            ])>{{ $told[$place][0] }}{{ in_array($told[$place][1], [null, $place], true) ? '' : ', row ' . ($told[$place][1] + 2) }}
                                </span>
                            </td>
                            @foreach ($headings as $column => $heading)
                                <td @class(['n' => in_array($column, [$charged, $paid], true)])>{{ $cells[$column] ?? '' }}</td>
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table>
            <x-table-foot name="pair-check" />
        @endif
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The list">
        <form method="post" action="{{ route('pair-check') }}" enctype="multipart/form-data" hx-boost="false" class="grid gap-3">@csrf
            <label>The list, headings first
                <textarea name="list" rows="{{ $told === [] ? 16 : 6 }}" class="h-auto! w-full" placeholder="cells of a sheet, or CSV" autofocus>{{ $text }}</textarea>
            </label>
            <label>or a CSV file <input type="file" name="file" accept=".csv,.txt,text/csv"></label>
            @if ($headings !== [])
                <fieldset>
                    <legend class="soft">What tells that two rows belong together</legend>
                    <div class="flex flex-wrap gap-3">
                        @foreach ($headings as $column => $heading)
                            <label>
                                <input type="checkbox" name="columns[]" value="{{ $column }}" @checked(in_array($column, $keys, true))>
                                {{ $heading }}</label>
                        @endforeach
                    </div>
                </fieldset>
                <label>Charged, or the one mixed column <select name="charged">
                        @foreach ($headings as $column => $heading)
                            <option value="{{ $column }}" @selected($charged === $column)>{{ $heading }}</option>
                        @endforeach
                    </select>
                </label>
                <label>Paid <select name="paid">
                        <option value="-1">none: one mixed column</option>
                        @foreach ($headings as $column => $heading)
                            <option value="{{ $column }}" @selected($paid === $column)>{{ $heading }}</option>
                        @endforeach
                    </select>
                </label>
            @endif
            <span>
                <button class="button main" data-main>Check <kbd>Ctrl ↵</kbd></button>
            </span>
            <p class="slate">Filter to the ones without a counterpart, copy them with <kbd>Y</kbd>, or take them as CSV and hand that in on <a
                    href="{{ route('intake') }}">Intake</a>. Nothing of the list is kept.</p>
        </form>
    </aside>
</x-layout>
