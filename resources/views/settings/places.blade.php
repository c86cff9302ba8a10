{{-- The pages on which the books are set up; the one that is open is bold. --}}
<p>
    @foreach ([
        'policies' => [route('policies'), 'Policies'],
        'accounts' => [route('list', 'accounts'), 'Accounts'],
        'customers' => [route('list', 'customers'), 'Customers'],
        'suppliers' => [route('list', 'suppliers'), 'Suppliers'],
        'calendar' => [route('list', 'calendar'), 'Calendar'],
        'settings' => [route('settings'), 'Reasons and payers'],
        'rates' => [route('rates'), 'Rates'],
        'agreements' => [route('agreements'), 'Agreements'],
        'people' => [route('people'), 'People'],
        'shelf' => [route('shelf'), 'Books'],
        'me' => [route('me'), 'Sign-in'],
    ] as $place => [$address, $title])
        @if ($place === $here)
            <b>{{ $title }}</b>
        @else
            <a href="{{ $address }}">{{ $title }}</a>
        @endif
        {{ $loop->last ? '' : '·' }}
    @endforeach
</p>
