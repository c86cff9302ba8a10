{{-- The pages on which the books are set up; the one that is open is bold. --}}
<p>
    @foreach ([
        'policies' => 'Policies',
        'settings' => 'Reasons, payers and rules',
        'rates' => 'Rates',
        'agreements' => 'Agreements',
        'people' => 'People',
        'me' => 'Your sign-in',
    ] as $route => $title)
        @if ($route === $here)
            <b>{{ $title }}</b>
        @else
            <a href="{{ route($route) }}">{{ $title }}</a>
        @endif
        {{ $loop->last ? '' : '·' }}
    @endforeach
</p>
