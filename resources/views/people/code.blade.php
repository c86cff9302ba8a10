<x-door title="Second factor" class="w-96">
    <p class="lead mb-4">Type the code that your device shows now. If you have lost it, type one of your recovery codes; each opens once.</p>
    <form method="post" action="{{ route('sign-in.code') }}" class="grid gap-4">@csrf
        <label class="grid gap-1">Code <input type="text" name="code" autofocus required autocomplete="one-time-code" maxlength="40"></label>
        <button class="button main justify-self-start">Sign in</button>
    </form>
</x-door>
