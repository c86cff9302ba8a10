<form method="post" action="{{ route('sign-off.backup') }}" class="mb-1">@csrf
    <button class="button py-0.5!">Write a backup</button>
</form>
