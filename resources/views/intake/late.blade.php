@php
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Late news" station="intake">
    <div class="pane">
        <p><a href="{{ route('intake') }}">Intake</a></p>
        <h1>Late news</h1>
        <p class="lead">What came with a date in a locked period. It is not in effect. What tells of conditions that were there at the period's end is
            adjusting: the period is opened again. Anything else goes to the next one.</p>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">What</th>
                    <th scope="col">Dated</th>
                    <th scope="col">From</th>
                    <th scope="col" class="n">On control accounts</th>
                    <th scope="col" class="n">With customers</th>
                    <th scope="col">Decide</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($waiting as $place => $of)
                    <tr>
                        <td>{{ $of->row->name }}<br><span class="slate">{{ $of->row->kind }}, {{ Say::count($of->rows, 'row') }}</span></td>
                        <td class="nowrap">{{ Say::day($of->row->date) }}</td>
                        <td><a href="{{ route('import', $of->row->import_id) }}">{{ $of->row->file }}</a>, row {{ $of->row->row }}</td>
                        <td class="n">{{ $of->effect->control->isZero() ? '' : Say::balance($of->effect->control) }}</td>
                        <td class="n">{{ $of->effect->customers->isZero() ? '' : Say::balance($of->effect->customers) }}</td>
                        <td>
                            @if ($writes)
                                <form method="post" action="{{ route('late-news.take') }}" class="flex flex-wrap gap-2 items-end">@csrf
                                    <input type="hidden" name="key" value="{{ $key }}-{{ $place }}">
                                    <input type="hidden" name="kind" value="{{ $of->row->kind }}">
                                    <input type="hidden" name="name" value="{{ $of->row->name }}">
                                    <label>On <x-day name="date" :value="$locked->includes($of->row->date) ? $firstOpen : $of->row->date" required /></label>
                                    <label>Because <input type="text" name="reason" required class="w-40"></label>
                                    <button class="button py-0.5!">Take in {{ $of->row->name }}</button>
                                    <button class="button py-0.5!" formaction="{{ route('late-news.leave') }}">Leave out</button>
                                </form>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="6">Nothing waits.</td>
                    </tr>
                @endforelse
            </tbody>
            @if ($waiting !== [] && $signed)
                <tfoot>
                    @foreach ([
                        'Together' => $together,
                        'As signed through ' . Say::day($locked->through) => $signed,
                        'Had it been known' => $known,
                    ] as $words => $sum)
                        <tr>
                            <td colspan="3">{{ $words }}</td>
                            <td class="n">{{ Say::balance($sum->control) }}</td>
                            <td class="n">{{ Say::balance($sum->customers) }}</td>
                            <td></td>
                        </tr>
                    @endforeach
                </tfoot>
            @endif
        </table>
        @if ($decided !== [])
            <h2>Decided</h2>
            <table class="grid-table">
                <tbody>
                    @foreach ($decided as $of)
                        <tr>
                            <td>{{ $of->name }} <span class="slate">{{ $of->kind }}</span></td>
                            <td>dated {{ Say::day($of->dated) }}</td>
                            <td>{{ $of->decision === 'taken' ? 'taken in on ' . Say::day($of->date) : 'left out' }}</td>
                            <td class="soft">{{ $of->who }}, {{ Say::moment($of->recorded_at) }}: {{ $of->reason }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </div>
</x-layout>
