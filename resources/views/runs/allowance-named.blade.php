@use('App\Http\Say')
<h2>By name</h2>
<table class="grid-table" data-decimals="{{ $base->decimals }}">
    <tbody>
        @forelse ($run->specific as $line)
            <tr>
                <td class="nowrap"><a href="{{ route('customer', $line->of->customer->id) }}">{{ $line->of->customer->name }}</a></td>
                <td>
                    @if ($line->of->itemId)
                        <a href="{{ route('document', $line->of->itemId) }}">{{ $line->of->document }}</a>
                    @else
                        all it owes
                    @endif
                </td>
                <td class="n">{{ $line->exposure->grouped() }}</td>
                <td class="n">{{ $line->amount->grouped() }}</td>
                <td class="soft">{{ $line->of->percent === null ? '' : "{$line->of->percent} %, " }}{{ $line->of->reason }}
                    @if ($line->of->review !== '')
                        <span @class(['tag', 'ochre' => $line->of->review <= $run->asOf()])>look again {{ Say::shortDay($line->of->review) }}</span>
                    @endif
                </td>
            </tr>
        @empty
            <tr>
                <td>Nobody.</td>
            </tr>
        @endforelse
        @foreach ($run->leftOut() as $line)
            <tr>
                <td class="nowrap"><a href="{{ route('customer', $line->customer->id) }}">{{ $line->customer->name }}</a></td>
                <td></td>
                <td class="n">{{ $line->base->grouped() }}</td>
                <td class="n">0</td>
                <td class="soft">{{ $line->why }}; nothing is said yet</td>
            </tr>
        @endforeach
    </tbody>
</table>
@if ($run->basis->overlays !== [])
    <h2>Overlays</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($run->basis->overlays as $overlay)
                <tr>
                    <td class="n">{{ $overlay->amount->grouped() }}</td>
                    <td class="soft">{{ $overlay->reason }} @if ($overlay->review !== '')
                            <span @class(['tag', 'ochre' => $overlay->review <= $run->asOf()])>look again {{ Say::shortDay($overlay->review) }}</span>
                        @endif
                    </td>
                    <td>
                        @if (Auth::user()->role->mayWrite())
                            <form method="post" action="{{ route('allowance.end-overlay', $overlay->id) }}">@csrf
                                <input type="hidden" name="key" value="{{ $key }}-o{{ $overlay->id }}">
                                <button class="button py-0.5!">End</button>
                            </form>
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
