<x-door title="Your password" class="w-96">
    <p class="lead mb-4">Welcome, {{ $person->name }}. Set a password of your own: at least 12 characters, and none that others would try first.</p>
    <form method="post" action="{{ route('welcome', $token) }}" class="grid gap-4">@csrf
        <input type="hidden" name="email" value="{{ $person->email }}" autocomplete="username">
        <label class="grid gap-1">Password <input type="password" name="password" required autofocus autocomplete="new-password"></label>
        <button class="button main justify-self-start">Set it</button>
    </form>
</x-door>
