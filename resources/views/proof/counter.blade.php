<label class="grid">Account <select name="counter" class="max-w-96">
        @if ($against !== [])
            <option value="">
                {{ implode(', ', array_map(fn($line) => $line->account->title() . ' ' . App\Http\Say::balance($line->base), $against)) }}</option>
        @else
            <option value="" disabled selected>choose</option>
        @endif
        @foreach ($accounts as $account)
            @unless ($account->role?->carriesCustomers())
                <option value="{{ $account->number }}">{{ $account->title() }}</option>
            @endunless
        @endforeach
    </select>
</label>
