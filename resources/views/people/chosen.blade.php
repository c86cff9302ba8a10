<h2 class="title">{{ $chosen->name }}</h2>
@if ($chosen->is(Auth::user()))
    <p class="soft mb-4">This is you. Another person changes your role; your password is under <a href="{{ route('me') }}">your sign-in</a>.</p>
@elseif ($chosen->disabled_at !== null)
    <form method="post" action="{{ route('people.enable', $chosen->id) }}" class="mb-6">@csrf
        <button class="button">Let {{ $chosen->name }} sign in again</button>
    </form>
@else
    <form method="post" action="{{ route('people.role', $chosen->id) }}" class="grid gap-3 mb-4">@csrf
        <label class="grid">Role <select name="role">
                @foreach ($roles as $role)
                    <option value="{{ $role->value }}" @selected($chosen->role === $role)>{{ $role->value }}: {{ $role->words() }}</option>
                @endforeach
            </select></label>
        <label><input type="checkbox" name="administers" value="1" @checked($chosen->administers)> looks after the people of these books</label>
        <label class="grid">Because <input type="text" name="reason" value="{{ old('reason') }}" required class="w-full"></label>
        <span><button class="button">Change the role</button></span>
    </form>
    <div class="flex gap-3 mb-6">
        <form method="post" action="{{ route('people.link', $chosen->id) }}">@csrf
            <button class="button">Another link for the password</button>
        </form>
        <form method="post" action="{{ route('people.disable', $chosen->id) }}">@csrf
            <button class="button">Disable</button>
        </form>
    </div>
@endif
