<x-door title="New books" class="w-[30rem]">
    <p class="lead mb-4">These books are empty. Say whose they are, and who you are; then hand in what the accounting system exports.</p>
    <form method="post" action="{{ route('first-start') }}" class="grid gap-3">@csrf
        <label class="grid gap-1">Firm <input type="text" name="books_name" value="{{ old('books_name') }}" required autofocus></label>
        <div class="flex gap-3">
            <label class="grid gap-1 grow">Currency of the books <input type="text" name="base_currency" value="{{ old('base_currency', 'EUR') }}" required
                    maxlength="3"></label>
            <label class="grid gap-1 grow">Period to close <input type="text" name="period" value="{{ old('period', $period) }}" required
                    placeholder="2026-10"></label>
        </div>
        <label class="grid gap-1">Your name <input type="text" name="name" value="{{ old('name') }}" required autocomplete="name"></label>
        <label class="grid gap-1">E-mail address <input type="email" name="email" value="{{ old('email') }}" required autocomplete="username"></label>
        <label class="grid gap-1">Password, at least 12 characters <input type="password" name="password" required
                autocomplete="new-password"></label>
        @if ($asksCode)
            <label class="grid gap-1">Code, as the command that serves these books says it <input type="text" name="code" required
                    autocomplete="one-time-code"></label>
        @endif
        <button class="button main justify-self-start">Make these books mine</button>
    </form>
</x-door>
