@use('App\Http\Say')
<x-layout title="People" class="halves">
    <div class="pane" x-data="grid">
        @include('settings.places', ['here' => 'people'])
        <h1>People</h1>
        <p class="lead">Who may open these books. What a person did stays under the name, whatever becomes of the sign-in.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col"><button type="button">Name</button></th>
                    <th scope="col"><button type="button">Address</button></th>
                    <th scope="col"><button type="button">Role</button></th>
                    <th scope="col"><button type="button">Second factor</button></th>
                    <th scope="col"><button type="button">Last signed in</button></th>
                </tr>
            </thead>
            <tbody>
                @foreach ($people as $person)
                    <tr @class(['current' => $person->is($chosen)])>
                        <td><a href="{{ route('people', ['person' => $person->id]) }}">{{ $person->name }}</a></td>
                        <td class="soft">{{ $person->email }}</td>
                        <td>{{ $person->role->value }}{{ $person->administers ? ', looks after people' : '' }}
                            @if ($person->disabled_at !== null)
                                <span class="tag ochre">disabled</span>
                            @endif
                        </td>
                        <td>{{ isset($withSecondFactor[$person->email]) ? 'yes' : 'none' }}</td>
                        <td class="nowrap soft">{{ $person->signed_in_at === null ? 'never' : Say::moment($person->signed_in_at) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <x-table-foot name="people" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The chosen person, and inviting another">
        @if (session('link'))
            <div class="note">This link sets the password. It holds for seven days, opens once, and is shown only here:<br>
                <code class="break-all">{{ session('link') }}</code></div>
        @endif
        @if (!Auth::user()->administers)
            <p class="soft">Who looks after the people can invite others and change roles. Your own password is under <a href="{{ route('me') }}">your
                    sign-in</a>.</p>
        @else
            @includeWhen($chosen !== null, 'people.chosen')
            <h2 class="title">Invite a person</h2>
            <form method="post" action="{{ route('people.invite') }}" class="grid gap-3">@csrf
                <label class="grid">Name <input type="text" name="name" value="{{ old('name') }}" required class="w-72" data-hotkey="e"></label>
                <label class="grid">E-mail address <input type="email" name="email" value="{{ old('email') }}" required class="w-72"></label>
                <label class="grid">Role <select name="role">
                        @foreach ($roles as $role)
                            <option value="{{ $role->value }}" @selected(old('role') === $role->value)>{{ $role->value }}: {{ $role->words() }}</option>
                        @endforeach
                    </select></label>
                <span><button class="button main" data-main>Invite <kbd>Ctrl ↵</kbd></button></span>
            </form>
        @endif
    </aside>
</x-layout>
