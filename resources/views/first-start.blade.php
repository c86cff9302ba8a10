<!DOCTYPE html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>New books · Ajuste</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>

<body class="bg-paper">
    <main class="row-span-3 self-center justify-self-center w-[30rem] bg-sheet border border-line-strong p-8">
        <h1 class="wordmark mb-2"><x-svg.mark />Ajuste</h1>
        <p class="lead mb-4">These books are empty. Say whose they are, and who you are; then hand in what the accounting system exports.</p>
        @if (session('refusal'))
            <div class="note bad" role="alert">{{ session('refusal') }}</div>
        @endif
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
            <button class="button main justify-self-start">Make these books mine</button>
        </form>
    </main>
</body>

</html>
