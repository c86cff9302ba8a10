@props(['picture'])
@use('App\Http\Pictures\RatePicture')
<svg viewBox="0 0 {{ RatePicture::WIDTH }} {{ RatePicture::HEIGHT }}" width="100%" role="group"
    aria-label="{{ $picture->code }} over twelve months between {{ $picture->low }} and {{ $picture->high }}, with the open documents at their own rates">
    <path d="{{ $picture->line }}" fill="none" stroke="#1b5e4b" stroke-width="1.5" />
    @foreach ($picture->dots as [$x, $y, $says])
        <circle cx="{{ $x }}" cy="{{ $y }}" r="3" fill="#fffdf7" stroke="#455053">
            <title>{{ $says }}</title>
        </circle>
    @endforeach
    <text x="0" y="12"><tspan style="font-weight:650">{{ $picture->code }}</tspan> over twelve months, {{ $picture->low }} to {{ $picture->high }}</text>
    <text x="{{ RatePicture::WIDTH }}" y="{{ $picture->closingAt + 4 }}" text-anchor="end">closing</text>
</svg>
