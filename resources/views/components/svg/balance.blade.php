@props(['picture'])
@php use App\Http\Say; @endphp
<svg viewBox="0 0 700 146" width="100%" role="group" aria-label="Balance over time; the documents below are its table">
    <path d="M4 {{ $picture->nil }}H694" stroke="#c2b79f" stroke-width="1" />
    <path d="{{ $picture->path }}" fill="none" stroke="#1b5e4b" stroke-width="1.6" />
    @foreach ($picture->dots as [$x, $y, $day, $says])
        <circle cx="{{ $x }}" cy="{{ $y }}" r="2.6" fill="#fffdf7" stroke="#1b5e4b">
            <title>{{ Say::day($day) }}: {{ $says }}</title>
        </circle>
    @endforeach
    <text x="4" y="140" style="fill:#455053">{{ Say::day($picture->history->first) }}</text><text x="694" y="140" text-anchor="end"
        style="fill:#455053">{{ Say::day($picture->history->last) }}</text>
</svg>
