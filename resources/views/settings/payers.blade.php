<h2>Payers who are known</h2>
<table class="grid-table">
    <thead>
        <tr>
            <th scope="col">From the bank</th>
            <th scope="col">Is</th>
            <th scope="col"></th>
        </tr>
    </thead>
    <tbody>
        @forelse ($payers as $payer)
            <tr>
                <td>{{ $payer->name }} <span class="slate">{{ $payer->bank_account }}</span></td>
                <td>{{ $payer->customer }} {{ $payer->customer_name }}</td>
                <td>
                    @if ($writes)
                        <form method="post" action="{{ route('settings.forget') }}">@csrf
                            <input type="hidden" name="key" value="{{ $key }}-p{{ $loop->index }}">
                            <input type="hidden" name="name" value="{{ $payer->name }}">
                            <input type="hidden" name="account" value="{{ $payer->bank_account }}">
                            <button class="slate underline cursor-pointer" aria-label="Forget {{ $payer->name }}">forget</button>
                        </form>
                    @endif
                </td>
            </tr>
        @empty
            <tr>
                <td colspan="3">Nobody yet. What a person decides for a payer is remembered here.</td>
            </tr>
        @endforelse
    </tbody>
</table>
