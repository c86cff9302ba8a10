<!DOCTYPE html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Not possible · Ajuste</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>

<body class="bg-paper">
    <main class="row-span-3 self-center justify-self-center max-w-xl bg-sheet border border-line-strong p-8">
        <h1 class="wordmark mb-6"><x-svg.mark />Ajuste</h1>
        <div class="note bad" role="alert">{{ $message }}</div>
        <p class="mt-4"><a href="{{ url('/') }}?as_of=&known_at=&account=">To the desk</a></p>
    </main>
</body>

</html>
