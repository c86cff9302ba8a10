@props(['user'])
<a href="{{ route('journals') }}">Journals</a>
<a href="{{ route('outbox') }}">Outbox</a>
<a href="{{ route('trail') }}">Trail</a>
<a href="{{ route('policies') }}">Settings</a>
<form action="{{ route('sign-out') }}" method="post" class="flex gap-3 items-center" hx-boost="false">@csrf
    <a class="soft" href="{{ route('me') }}">{{ $user->name }}, {{ $user->role->value }}</a>
    <button class="soft underline underline-offset-2 cursor-pointer">Sign out</button>
</form>
