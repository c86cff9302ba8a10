@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
@if ($runs !== [])
    <h2>Runs</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($runs as $posted)
                <tr>
                    <td><a href="{{ route('run', $posted->id) }}">Run {{ $posted->id }}</a> as of {{ Say::shortDay($posted->as_of) }}<br><span class="slate">{{ $posted->who }},
                            {{ Say::moment($posted->recorded_at) }}</span></td>
                    <td class="n">{{ Money::ofMinor($posted->total, $base)->grouped() }}</td>
                    <td>
                        @if (isset($reversals[$posted->id]))
                            <span class="tag ochre">taken back: {{ $reversals[$posted->id]->reason }}</span>
                        @else
                            @if ($kind === Ajuste\Core\Run\RunKind::Contra)
                                <div class="flex flex-wrap gap-2 items-center my-1"><a class="button py-0.5!" hx-boost="false"
                                        href="{{ route('contra.letters', $posted->id) }}">Letters, PDF</a>
                                    @if (Auth::user()->role->mayWrite())
                                        <form method="post" action="{{ route('contra.send', $posted->id) }}">@csrf
                                            <input type="hidden" name="key" value="{{ $key }}-l{{ $posted->id }}">
                                            <button class="button py-0.5!">Send the letters</button>
                                        </form>
                                    @endif
                                </div>
                            @endif
                            @isset($outOfDate[$posted->id])
                                <span class="tag ochre">out of date: {{ implode(', ', array_slice($outOfDate[$posted->id], 0, 5)) }} changed</span>
                                @if (Auth::user()->role->mayWrite())
                                    <form method="post" action="{{ route('run.again', [$kind->path(), $posted->id]) }}" class="my-1">@csrf
                                        <input type="hidden" name="key" value="{{ $key }}-a{{ $posted->id }}">
                                        <button class="button py-0.5!">Take back and run again</button>
                                    </form>
                                @endif
                            @endisset
                            @if (Auth::user()->role->mayWrite())
                                <form method="post" action="{{ route('run.reverse', [$kind->path(), $posted->id]) }}" class="flex gap-2">@csrf
                                    <input type="hidden" name="key" value="{{ $key }}-{{ $posted->id }}">
                                    <input type="text" name="reason" placeholder="reason" class="w-36" required
                                        aria-label="Why run {{ $posted->id }} is taken back">
                                    <button class="button py-0.5!">Take back run {{ $posted->id }}</button>
                                </form>
                            @endif
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
