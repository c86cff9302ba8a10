<form method="post" action="{{ route('statement.send', $customer->id) }}" class="inline">@csrf
    <input type="hidden" name="key" value="{{ bin2hex(random_bytes(16)) }}">
    <button class="button py-0.5!">Send the statement</button>
</form>
