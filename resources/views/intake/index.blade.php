@php
    use App\Http\Say;
    $many = fn(int $count, string $kind): string => $count === 1 ? $kind : "{$kind} ×\u{A0}{$count}";
@endphp
<x-layout title="Intake" station="intake" class="halves">
    <div class="pane">
        <h1>Imports</h1>
        <p class="lead">Each file is kept as it came. The same file twice changes nothing.</p>
        <table class="grid-table" data-list>
            <thead>
                <tr>
                    <th scope="col">Import</th>
                    <th scope="col">Taken in</th>
                    <th scope="col">From</th>
                    <th scope="col">Files</th>
                    <th scope="col" class="n">New</th>
                    <th scope="col" class="n">Changed</th>
                    <th scope="col" class="n">Confirmed</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($imports as $import)
                    @php $reports = ($files[$import->id] ?? collect())->map(fn ($file) => json_decode($file->report, true)); @endphp
                    <tr>
                        <td><a href="{{ route('import', $import->id) }}">{{ $import->id }}</a></td>
                        <td class="nowrap">{{ Say::moment($import->recorded_at) }}<br><span class="slate">{{ $import->who }}</span></td>
                        <td>{{ $import->source }}</td>
                        <td class="soft">{{ $reports->countBy('kind')->map($many)->implode(', ') }}</td>
                        <td class="n">{{ number_format($reports->sum('new')) }}</td>
                        <td class="n">{{ number_format($reports->sum('changed')) }}</td>
                        <td class="n">{{ number_format($reports->sum('confirms')) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="7">Nothing has been taken in yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        @if ($late > 0)
            <div class="note"><a href="{{ route('late-news') }}">{{ Say::count($late, 'row') }} of late news</a>, dated in a locked period:
                decide whether the period is opened again, or they go to the next one.</div>
        @endif
        <div class="mt-5" x-data="grid">
            <div class="flex items-baseline gap-4">
                <h2>Rows set aside</h2>
                @if (!$window->isEmpty)
                    <div class="ml-auto"><x-filter /></div>
                @endif
            </div>
            <table class="grid-table" data-list @if ($window->isPart) data-window @endif>
                <thead>
                    <tr>
                        <th scope="col" data-order="file"><button type="button">File and row</button></th>
                        <th scope="col" data-order="wrong"><button type="button">What is wrong</button></th>
                        <th scope="col" data-order="line"><button type="button">The row</button></th>
                        <th scope="col">Close</th>
                    </tr>
                </thead>
                <tbody id="aside-rows">
                    @fragment('rows')
                        @forelse ($window->rows as $row)
                            <tr>
                                <td class="nowrap"><a href="{{ route('row', $row->id) }}">{{ $row->name }}, {{ $row->row }}</a>
                                    <span class="slate">import <a href="{{ route('import', $row->import_id) }}">{{ $row->import_id }}</a></span></td>
                                <td>{{ $row->field }} “{{ $row->value }}”: {{ $row->expected }}</td>
                                <td class="soft">{{ $row->line }}</td>
                                <td data-skip="1">
                                    @if (Auth::user()->role->mayWrite())
                                        <form method="post" action="{{ route('row.close', $row->id) }}" class="flex gap-2">@csrf
                                            <label class="visually-hidden" for="close-{{ $row->id }}">Reason</label>
                                            <input id="close-{{ $row->id }}" type="text" name="reason" placeholder="reason" required class="w-32">
                                            <button class="button py-0!">Close</button>
                                        </form>
                                    @endif
                                </td>
                            </tr>
                        @empty
                            <tr>
                                <td colspan="4">{{ $none }}</td>
                            </tr>
                        @endforelse
                        <x-more-rows :from="$window->next" :total="$window->count" />
                    @endfragment
                </tbody>
            </table>
            @if (!$window->isEmpty)
                <x-table-foot name="rows-set-aside" />
            @endif
        </div>
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Hand in files">
        <h2 class="title">Hand in files</h2>
        <p class="lead">CSV, XLSX, ODS, bank statements (camt.053, camt.054, MT940), or a zip of them. You see what would happen before anything is taken in.
        </p>
        @if (Auth::user()->role->mayWrite())
            <form method="post" action="{{ route('intake.hand-in') }}" enctype="multipart/form-data" hx-boost="false" class="grid gap-4">@csrf
                <label class="grid gap-1">Files of the period <input type="file" name="files[]" multiple required
                        accept=".csv,.txt,.tsv,.xlsx,.ods,.zip,.xml,.sta,.mt940,.940"></label>
                <button class="button main justify-self-start" data-main>See what would happen <kbd>Ctrl ↵</kbd></button>
            </form>
        @else
            <p class="note">A reader can look at everything and post nothing.</p>
        @endif
        <h2>What is read</h2>
        <p class="soft">settings, accounts, suppliers, customers, agreements, rates, items, item_lines, matches, supplier_items and ledger: the name of the
            file says which. Other headings, dates and decimal marks are read through a mapping that you see and can correct, and that is remembered.</p>
    </aside>
</x-layout>
