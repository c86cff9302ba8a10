<x-door title="Password forgotten" class="w-96">
    <p class="lead mb-4">A link goes to your address, by which you set another password.</p>
    <form method="post" action="{{ route('forgotten') }}" class="grid gap-4">@csrf
        <label class="grid gap-1">E-mail address <input type="email" name="email" required autofocus autocomplete="username"></label>
        <div class="flex items-center gap-4">
            <button class="button main">Send the link</button>
            <a class="underline" href="{{ route('sign-in') }}">Back</a>
        </div>
    </form>
</x-door>
