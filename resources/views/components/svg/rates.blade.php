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
    <text x="20" y="{{ RatePicture::HEIGHT - 4 }}">{{ $picture->code }}, twelve months</text>
    <text x="{{ RatePicture::WIDTH - 64 }}" y="{{ $picture->closingAt + 4 }}" style="font-weight:650">closing</text>
    <text x="{{ RatePicture::WIDTH - 64 }}" y="{{ RatePicture::HEIGHT - 4 }}" style="fill:#455053">{{ $picture->low }}–{{ $picture->high }}</text>
</svg>
