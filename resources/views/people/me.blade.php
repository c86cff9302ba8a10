@use('App\Http\Say')
@use('App\Support\Sessions')
<x-layout title="Your sign-in" class="halves">
    <div class="pane">
        @include('settings.places', ['here' => 'me'])
        <h1>Your sign-in</h1>
        <p class="lead">{{ $person->name }}, {{ $person->email }}: {{ $person->role->value }}, {{ $person->role->words() }}.</p>
        @if (session('codes'))
            <div class="note">Ten recovery codes for the day on which the device is lost. Each opens once, and they are shown only now; keep them on paper.
                <ul class="grid grid-cols-2 mt-2 font-mono">
                    @foreach (session('codes') as $code)
                        <li>{{ $code }}</li>
                    @endforeach
                </ul>
            </div>
        @endif
        <h2>Signed in</h2>
        <table class="grid-table" data-list>
            <thead>
                <tr>
                    <th scope="col">Last seen</th>
                    <th scope="col">From</th>
                    <th scope="col">With</th>
                    <th scope="col"></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($sessions as $session)
                    <tr>
                        <td class="nowrap">{{ Say::moment(gmdate('c', $session->last_activity)) }}</td>
                        <td>{{ $session->ip_address }}</td>
                        <td class="soft">{{ Str::limit((string) $session->user_agent, 60) }}</td>
                        <td>
                            @if ($session->id === $here)
                                <span class="tag green">here</span>
                            @else
                                <form method="post" action="{{ route('me.end', Sessions::name($session->id)) }}">@csrf
                                    <button class="button">End it</button>
                                </form>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="4">Only here.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        @includeWhen($person->role->mayReview(), 'people.deputy')
        <p class="slate mt-2">Whoever does nothing for {{ config('session.lifetime') }} minutes is signed out, and everybody after
            {{ config('session.longest') / 60 }} hours. What was typed is kept.</p>
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Password and second factor">
        <h2 class="title">Password</h2>
        <form method="post" action="{{ route('me.password') }}" class="grid gap-3">@csrf
            <label class="grid">Present password <input type="password" name="present" required autocomplete="current-password" class="w-72"
                    data-hotkey="e"></label>
            <label class="grid">New password, at least 12 characters <input type="password" name="password" required autocomplete="new-password"
                    class="w-72"></label>
            <span><button class="button main" data-main>Change it <kbd>Ctrl ↵</kbd></button></span>
        </form>
        <h2 class="title mt-6">Second factor</h2>
        @if ($person->person()->second_factor === null)
            <p>A code from a device, asked for beside the password. Enter this key in an application for one-time codes (time-based, six digits), then type the
                code that it shows.</p>
            <p class="my-2"><code>{{ $secret }}</code><br><a class="underline" href="{{ $address }}" hx-boost="false">Open it on this device</a></p>
            <form method="post" action="{{ route('me.second-factor') }}" class="flex gap-3 items-end">@csrf
                <label class="grid">Code <input type="text" name="code" inputmode="numeric" required autocomplete="one-time-code" class="w-28"></label>
                <button class="button">Turn it on</button>
            </form>
        @else
            <p>A code is asked for beside your password.</p>
            <form method="post" action="{{ route('me.give-up') }}" class="flex gap-3 items-end mt-2">@csrf
                <label class="grid">Present password <input type="password" name="present" required autocomplete="current-password" class="w-72"></label>
                <button class="button">Turn it off</button>
            </form>
        @endif
    </aside>
</x-layout>
