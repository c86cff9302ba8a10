@props(['title', 'station' => null])
@php
    use App\Http\Pictures\Vial;
    use App\Http\Say;
@endphp
<!DOCTYPE html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <title>{{ $title }} · Ajuste</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>

<body hx-boost="true" data-person="{{ $user?->id }}">
    <header>
        <div class="masthead">
            <a class="wordmark" href="{{ route('desk') }}" data-key="0"><x-svg.mark />Ajuste</a>
            <span class="soft">
                @if ($user)
                    <a class="soft" href="{{ route('shelf') }}" data-books title="Other books (Shift B)">{{ $booksName ?: 'Books' }}</a>&nbsp;·&nbsp;
                @endif
                <b class="text-ink">{{ Say::period($period) }}</b>, {{ $locked->includes($period->last) ? 'locked' : 'open' }}, last day
                {{ Say::shortDay($period->last) }}</span>
            <form action="{{ route('search') }}" class="ml-auto relative" role="search">
                <label for="search" class="visually-hidden">Search</label>
                <input id="search" type="search" name="q" value="{{ request()->routeIs('search') ? request('q') : '' }}"
                    placeholder="Document, amount, name, reference" class="w-70">
                <kbd class="absolute right-2 top-1.5" aria-hidden="true">/</kbd>
            </form>
            @if ($user)
                <x-seat :user="$user" />
            @endif
        </div>
        @if ($stations !== [])
            <nav class="rail" aria-label="Stations of the close">
                @foreach ($stations as $place => $stop)
                    <a href="{{ route($stop->route) }}" data-key="{{ $place < 9 ? $place + 1 : '-' }}" @class(['done' => $stop->done && $station !== $stop->route])
                        @if ($station === $stop->route) aria-current="page" @endif>
                        <strong>{{ $stop->name }}</strong>
                        @if ($stop->done)
                            <x-svg.joint /><span class="visually-hidden">nothing left</span>
                        @else
                            <span>{{ $stop->remains }}</span>
                            <span>{{ $stop->amount?->grouped() ?? ($stop->route === 'aged' ? 'as of ' . Say::shortDay($at->asOf) : '') }}</span>
                        @endif
                    </a>
                @endforeach
            </nav>
        @endif
    </header>
    <main {{ $attributes->merge(['class' => 'page']) }}>
        <div class="print-only">{{ $booksName }} · {{ Say::period($period) }} · as of {{ Say::day($at->asOf ?? $period->last) }}, known
            {{ $at?->knownAt ? Say::moment($at->knownAt) : 'now' }} · printed {{ Say::moment(now()->toIso8601String()) }} UTC by {{ $user?->name }}</div>
        <x-known-then :at="$at" />
        @if (session('refusal') || session('done'))
            <div class="px-6 pt-3 col-span-full -mb-3">
                @if (session('refusal'))
                    <div class="note bad" role="alert">{{ session('refusal') }}</div>
                @endif
                @if (session('done'))
                    <div class="note good" role="status">{{ session('done')['text'] }} @isset(session('done')['url'])
                            <a href="{{ session('done')['url'] }}">{{ session('done')['link'] }}</a>
                        @endisset
                    </div>
                @endif
            </div>
        @endif
        {{ $slot }}
    </main>
    @if ($figures)
        <footer class="proofline" id="proofline">
            <a href="{{ route('account', $figures->account->number) }}">Control account {{ $figures->account->number }}
                &nbsp;<b>{{ $figures->control->abs()->grouped() }}</b> {{ $figures->control->minor < 0 ? 'Cr' : 'Dr' }}</a>
            @unless ($figures->ownVouchers->isZero())
                <a class="own" href="{{ route('journals') }}">of it own vouchers {{ Say::balance($figures->ownVouchers) }}</a>
            @endunless
            <a href="{{ route('aged') }}">Customers &nbsp;<b>{{ $figures->customers->abs()->grouped() }}</b>
                {{ $figures->customers->minor < 0 ? 'Cr' : 'Dr' }}</a>
            <x-svg.vial :offset="Vial::offset($figures->difference)" />
            <a href="{{ route('proof') }}" @class([
                'off' => !$figures->difference->isZero(),
                'level' => $figures->difference->isZero(),
            ])>Difference &nbsp;<b>{{ Say::balance($figures->difference) }}</b></a>
            <form action="{{ url()->current() }}" class="ml-auto flex gap-2 items-center">
                @foreach (request()->except(['as_of', 'known_at', 'account', 'page']) as $name => $value)
                    @if (is_string($value))
                        <input type="hidden" name="{{ $name }}" value="{{ $value }}">
                    @endif
                @endforeach
                <label for="as-of">as of</label>
                <x-day id="as-of" name="as_of" :value="$at->asOf" />
                @if (count($controlAccounts) > 1)
                    <label class="visually-hidden" for="control">Control account</label>
                    <select id="control" name="account" class="text-ink">
                        @foreach ($controlAccounts as $control)
                            <option value="{{ $control->number }}" @selected($control->id === $at->account->id)>{{ $control->number }}</option>
                        @endforeach
                    </select>
                @endif
                <label for="known-at" class="known">known</label>
                <input id="known-at" type="text" name="known_at" value="{{ request()->session()->get('view.known_at') }}" placeholder="now"
                    title="As it was known at a moment, such as 2026-11-02 17:30" class="known">
                <button class="visually-hidden">Look as of that day</button>
            </form>
            <button type="button" class="cursor-pointer" data-open-keys>keys <kbd>?</kbd></button>
        </footer>
    @endif
    @if ($user)
        <div id="away" class="note" role="alert" hidden data-minutes="{{ config('session.lifetime') }}" data-stay="{{ route('stay') }}">
            You will be signed out in two minutes. <button type="button" class="button">Stay signed in</button> What is typed here stays.</div>
    @endif
    <x-keys />
</body>

</html>
