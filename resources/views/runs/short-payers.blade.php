@use('App\Http\Say')
@if ($shortPayers !== [])
    <h2>Who pays short again and again</h2>
    <table class="grid-table">
        <caption class="visually-hidden">Deducted or written off as residues over the twelve months to {{ Say::day($run->asOf()) }}</caption>
        <tbody>
            @foreach ($shortPayers as $of)
                <tr>
                    <td><a href="{{ route('customer', $of->customer->id) }}">{{ $of->customer->number }} {{ $of->customer->name }}</a></td>
                    <td class="nowrap">{{ Say::count($of->times, 'time') }} in twelve months</td>
                    <td class="n">{{ $of->sum->grouped() }}</td>
                    <td>
                        @if (Auth::user()->role->mayWrite() && !in_array($of->customer->id, $blocked, true))
                            <form method="post" action="{{ route('run.block', $kind->path()) }}">@csrf
                                <input type="hidden" name="key" value="{{ $key }}-s{{ $of->customer->id }}">
                                <input type="hidden" name="customer" value="{{ $of->customer->number }}">
                                <input type="hidden" name="reason" value="pays short again and again: {{ Say::count($of->times, 'time') }} in twelve months">
                                <button class="button py-0.5!">Leave {{ $of->customer->number }} alone</button>
                            </form>
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
