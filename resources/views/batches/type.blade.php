@use('Ajuste\Core\Settlement\PaymentWay')
<h2>Open a batch</h2>
<form method="post" action="{{ route('batches.open') }}" class="flex flex-wrap gap-3 items-end">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <label>Declared total<br>
        <input type="text" inputmode="decimal" name="declared" value="{{ old('declared') }}" required class="w-32 text-right" data-hotkey="b"></label>
    <label>Paid by<br>
        <select name="way">
            @foreach (PaymentWay::cases() as $way)
                <option @selected(old('way') === $way->value)>{{ $way->value }}</option>
            @endforeach
        </select>
    </label>
    <label>Dated<br>
        <x-day name="date" :value="old('date', $last)" /></label>
    <label>Name<br>
        <input type="text" name="reference" value="{{ old('reference') }}" placeholder="slip number" class="w-28"></label>
    <label>To account<br>
        <select name="account">
            <option value="">as usual</option>
            @foreach ($accounts as $account)
                <option value="{{ $account->number }}" @selected(old('account') === $account->number)>{{ $account->title() }}</option>
            @endforeach
        </select></label>
    <label>Posted<br>
        <select name="as">
            <option value="one">as one sum</option>
            <option value="each">one by one</option>
        </select>
    </label>
    <button class="button">Open <kbd>B</kbd></button>
</form>
<h2>One receipt by itself</h2>
<form method="post" action="{{ route('batches.type') }}" class="flex flex-wrap gap-3 items-end">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <label>Customer<br>
        <input type="text" name="who" value="{{ old('who') }}" required class="w-52" list="customers" hx-get="{{ route('customers.options') }}"
            hx-trigger="input changed delay:200ms" hx-target="#customers" autocomplete="off"></label>
    <label>Amount<br>
        <input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" required class="w-28 text-right"></label>
    <label>Paid by<br>
        <select name="way">
            @foreach (PaymentWay::cases() as $way)
                <option @selected(old('way') === $way->value)>{{ $way->value }}</option>
            @endforeach
        </select>
    </label>
    <label>Dated<br>
        <x-day name="date" :value="old('date', $last)" /></label>
    <label>Cheque or reference<br>
        <input type="text" name="reference" value="{{ old('reference') }}" class="w-28"></label>
    <label>Pays<br>
        <input type="text" name="pays" value="{{ old('pays') }}" placeholder="documents" class="w-40"></label>
    <label>To account<br>
        <select name="account">
            <option value="">as usual</option>
            @foreach ($accounts as $account)
                <option value="{{ $account->number }}" @selected(old('account') === $account->number)>{{ $account->title() }}</option>
            @endforeach
        </select></label>
    @include('batches.both')
    <button class="button">Type and place</button>
</form>
