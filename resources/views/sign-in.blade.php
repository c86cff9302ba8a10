<x-door title="Sign in" class="w-96">
    <form method="post" action="{{ route('sign-in') }}" class="grid gap-4">@csrf
        <label class="grid gap-1">E-mail address <input type="email" name="email" value="{{ old('email') }}" autofocus required
                autocomplete="username"></label>
        <label class="grid gap-1">Password <input type="password" name="password" required autocomplete="current-password"></label>
        <div class="flex items-center gap-4">
            <button class="button main">Sign in</button>
            <a class="underline" href="{{ route('forgotten') }}">Password forgotten</a>
        </div>
    </form>
</x-door>
