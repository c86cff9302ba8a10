@php
    use Ajuste\Core\Money\Money;
    use App\Http\Pictures\AgeMonths;
    use App\Http\Say;
    $colours = ['#e6e8ef', '#c5cbdd', '#98a4c4', '#6575a2', '#36456f'];
    $labels = $picture->lists[0]->buckets->labels;
    $shade = fn(int $column) => $colours[(int) round((4 * $column) / max(1, count($labels) - 1))];
    $grouped = fn(int $minor) => $minor === 0 ? '·' : Money::ofMinor($minor, $base)->grouped();
@endphp
<x-layout title="Twelve months" station="aged">
    <div class="pane">
        <p><a href="{{ route('aged') }}">Aged receivables</a></p>
        <h1>Twelve months to {{ Say::day($asOf) }}</h1>
        <p class="lead">What was open at each period's end by age, in {{ $base->code }} at carrying amount; credits are left out.</p>
        <svg viewBox="0 0 {{ count($picture->bars) * AgeMonths::STEP }} {{ AgeMonths::HEIGHT + 24 }}" width="100%" role="group"
            aria-label="Open debits by age at each period's end">
            @foreach ($picture->bars as $place => [$x, $parts])
                @foreach ($parts as [$y, $height, $column, $amount])
                    <rect x="{{ $x }}" y="{{ $y }}" width="{{ AgeMonths::STEP - 16 }}" height="{{ $height }}" fill="{{ $shade($column) }}">
                        <title>{{ Say::day($picture->lists[$place]->asOf) }}, {{ Say::bucket($labels[$column]) }}: {{ $grouped($amount) }}</title>
                    </rect>
                @endforeach
                <text x="{{ $x + (AgeMonths::STEP - 16) / 2 }}" y="{{ AgeMonths::HEIGHT + 16 }}"
                    text-anchor="middle">{{ Say::shortDay($picture->lists[$place]->asOf) }}</text>
            @endforeach
        </svg>
        <div class="flex flex-wrap gap-4 my-2">
            @foreach ($labels as $column => $label)
                <span class="flex items-center gap-1"><svg width="14" height="14" aria-hidden="true">
                        <rect width="14" height="14" fill="{{ $shade($column) }}" stroke="#c2b79f" />
                    </svg>{{ Say::bucket($label) }}</span>
            @endforeach
        </div>
        <table class="grid-table" data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">At the end of</th>
                    @foreach ($labels as $label)
                        <th scope="col" class="n">{{ Say::bucket($label) }}</th>
                    @endforeach
                    <th scope="col" class="n">Unapplied</th>
                    <th scope="col" class="n">Total</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($picture->lists as $place => $list)
                    <tr>
                        <td class="nowrap"><a href="{{ route('aged', ['as_of' => $list->asOf]) }}">{{ Say::day($list->asOf) }}</a></td>
                        @foreach ($list->totals->amounts as $amount)
                            <td class="n">{{ $grouped($amount) }}</td>
                        @endforeach
                        <td class="n">{{ $grouped($list->totals->unapplied) }}</td>
                        <td class="n font-semibold">{{ $grouped($list->totals->total) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <h2>Due in the weeks to come</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    @foreach ($weeks as $week)
                        <th scope="col" class="n">{{ Say::shortDay($week->from) }} to {{ Say::shortDay($week->to) }}</th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                <tr>
                    @foreach ($weeks as $week)
                        <td class="n">{{ $grouped($week->base) }}</td>
                    @endforeach
                </tr>
            </tbody>
        </table>
        <h2>Measures</h2>
        <div class="grid grid-cols-5 gap-4">
            @foreach ($lines as $line)
                <figure>
                    <figcaption class="soft">{{ $line->words }} <b class="text-ink">{{ $line->last }}</b></figcaption>
                    <svg viewBox="0 0 200 48" width="100%" role="img" aria-label="{{ $line->words }} over twelve months">
                        <path d="{{ $line->path }}" fill="none" stroke="#1b5e4b" stroke-width="1.5" />
                        <circle cx="{{ $line->x }}" cy="{{ $line->y }}" r="3" fill="#1b5e4b" />
                    </svg>
                </figure>
            @endforeach
        </div>
        <table class="grid-table mt-3">
            <thead>
                <tr>
                    <th scope="col">Through</th>
                    @foreach ($kinds as $kind)
                        <th scope="col" class="n">{{ $kind->words() }}</th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @foreach ($picture->lists as $place => $list)
                    <tr>
                        <td class="nowrap"><a href="{{ route('measures', ['as_of' => $list->asOf]) }}">{{ Say::day($list->asOf) }}</a></td>
                        @foreach ($kinds as $kind)
                            <td class="n">{{ str_replace('-', '−', (string) ($measures[$place][$kind->value] ?? '·')) }}</td>
                        @endforeach
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
</x-layout>
