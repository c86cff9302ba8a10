@php $user = Auth::user(); @endphp
@if ($unchanged && $user->mayReview() && $user->name !== $request->who)
    <form method="post" action="{{ route('approval.approve', $request->id) }}" class="foot">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="lines" value="{{ $lines ?? 0 }}">
        @include('approvals.deputy')
        <button class="button main" data-main>Approve and post {{ $what }} <kbd>Ctrl ↵</kbd></button>
    </form>
@elseif ($unchanged && $user->role->mayWrite())
    <form method="post" action="{{ route('approval.approve', $request->id) }}" class="flex gap-2 items-end mt-2">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="lines" value="{{ $lines ?? 0 }}">
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
