@props(['picture', 'chosen' => ''])
@php
    use App\Http\Say;
    use App\Http\Pictures\DayPicture;
@endphp
<svg viewBox="0 0 {{ $picture->width }} {{ DayPicture::HEIGHT }}" width="100%" role="group"
    aria-label="Difference between control account and customers at each day's end">
    <path d="{{ $picture->area }}" fill="#f5ded8" />
    <path d="M20 {{ $picture->zero }}H{{ $picture->width - 30 }}" stroke="#c2b79f" />
    <path d="{{ $picture->line }}" fill="none" stroke="#a5302a" stroke-width="1.5" />
    <text x="14" y="{{ $picture->zero + 4 }}" text-anchor="end">0</text>
    @foreach ($picture->points as $point)
        <a href="{{ route('proof', ['day' => $point->day]) }}" data-part="day-{{ $point->day }}">
            <title>{{ Say::day($point->day) }}: changed by {{ Say::balance($point->step) }} to {{ Say::balance($point->difference) }}</title>
            <circle cx="{{ $point->x }}" cy="{{ $point->y }}" r="{{ $chosen === $point->day ? 6 : 4 }}"
                fill="{{ $chosen === $point->day ? '#a5302a' : '#fffdf7' }}" stroke="#a5302a" stroke-width="1.5" />
        </a>
    @endforeach
    @foreach ($picture->marks as [$x, $day])
        <text x="{{ $x }}" y="{{ DayPicture::HEIGHT - 6 }}"
            text-anchor="{{ $loop->last ? 'end' : ($loop->first ? 'start' : 'middle') }}">{{ Say::shortDay($day) }}</text>
    @endforeach
</svg>
<details class="mt-1">
    <summary class="slate cursor-pointer">As a table</summary>
    <table class="grid-table">
        <thead>
            <tr>
                <th scope="col">Day</th>
                <th scope="col" class="n">Changed by</th>
                <th scope="col" class="n">Difference</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($picture->points as $point)
                <tr data-part="day-{{ $point->day }}">
                    <td><a href="{{ route('proof', ['day' => $point->day]) }}">{{ Say::day($point->day) }}</a></td>
                    <td class="n">{{ Say::balance($point->step) }}</td>
                    <td class="n">{{ Say::balance($point->difference) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
</details>
