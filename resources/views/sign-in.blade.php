<!DOCTYPE html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Sign in · Ajuste</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>

<body class="bg-paper">
    <main class="row-span-3 self-center justify-self-center w-96 bg-sheet border border-line-strong p-8">
        <h1 class="wordmark mb-6"><x-svg.mark />Ajuste</h1>
        @foreach ($errors->all() as $error)
            <div class="note bad" role="alert">{{ $error }}</div>
        @endforeach
        <form method="post" action="{{ route('sign-in') }}" class="grid gap-4">@csrf
            <label class="grid gap-1">E-mail address <input type="email" name="email" value="{{ old('email') }}" autofocus required
                    autocomplete="username"></label>
            <label class="grid gap-1">Password <input type="password" name="password" required autocomplete="current-password"></label>
            <button class="button main justify-self-start">Sign in</button>
        </form>
    </main>
</body>

</html>
