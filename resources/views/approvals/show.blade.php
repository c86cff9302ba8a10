@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $user = Auth::user();
@endphp
<x-layout title="Approval">
    <div class="pane">
        <p><a href="{{ route('approvals') }}">Approvals</a></p>
        <h1>{{ ucfirst($request->title) }}</h1>
        <p class="lead">{{ $request->who }} asked on {{ Say::moment($request->recorded_at) }}:
            {{ Money::ofMinor($request->total, $base)->grouped() }} {{ $base->code }}, {{ $request->why }}.</p>
        @if ($refusal !== '')
            <div class="note" role="alert">{{ $refusal }}</div>
        @elseif (!$unchanged)
            <div class="note"><b>What would be posted has changed since. It has to be looked at and asked for again.</b></div>
        @endif
        @foreach ($plan?->vouchers() ?? [] as $voucher)
            <x-voucher :text="$voucher->text" :lines="$voucher->lines" />
        @endforeach
        @if ($unchanged && $user->role->mayReview() && $user->name !== $request->who)
            <form method="post" action="{{ route('approval.approve', $request->id) }}" class="foot">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <button class="button main" data-main>Approve and post <kbd>Ctrl ↵</kbd></button>
            </form>
        @elseif ($unchanged && $user->role->mayWrite())
            <form method="post" action="{{ route('approval.approve', $request->id) }}" class="flex gap-2 items-end mt-2">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grow">Approved by the outside person: day and evidence <input type="text" name="outside" required class="w-full"></label>
                <button class="button">Record and post</button>
            </form>
        @endif
        @if ($user->role->mayWrite())
            <form method="post" action="{{ route('approval.send-back', $request->id) }}" class="flex gap-2 items-end mt-2">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grow">What is to be changed <input type="text" name="words" required class="w-full" data-hotkey="b"></label>
                <button class="button">Send back <kbd>B</kbd></button>
            </form>
        @endif
    </div>
</x-layout>
