@props(['title'])
<!DOCTYPE html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ $title }} · Ajuste</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>

<body class="bg-paper">
    <main {{ $attributes->merge(['class' => 'row-span-3 self-center justify-self-center bg-sheet border border-line-strong p-8']) }}>
        <h1 class="wordmark mb-4"><x-svg.mark />Ajuste</h1>
        @foreach ([...$errors->all(), ...(session('refusal') ? [session('refusal')] : [])] as $error)
            <div class="note bad" role="alert">{{ $error }}</div>
        @endforeach
        @if (session('said'))
            <div class="note good" role="status">{{ session('said') }}</div>
        @endif
        {{ $slot }}
    </main>
</body>

</html>
