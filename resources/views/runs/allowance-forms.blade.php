<h2>What it is made of</h2>
<details data-hotkey="s">
    <summary class="cursor-pointer soft">A specific amount for a customer or document <kbd>S</kbd></summary>
    <form method="post" action="{{ route('allowance.specific') }}" class="grid gap-1 mt-1">@csrf
        <input type="hidden" name="key" value="{{ $key }}-s">
        <label>Customer <input type="text" name="customer" value="{{ old('customer') }}" required class="w-28"></label>
        <label>Document <input type="text" name="document" value="{{ old('document') }}" placeholder="all it owes" class="w-36"></label>
        <label>Amount <input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" class="w-28 text-right"> or
            <input type="text" inputmode="decimal" name="percent" value="{{ old('percent') }}" aria-label="percent" class="w-20 text-right"> %</label>
        <label>Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-72"></label>
        <label>Look again on <input type="date" name="review" value="{{ old('review') }}"></label>
        <span><button class="button py-0.5!">Keep</button></span>
    </form>
</details>
<details data-hotkey="o">
    <summary class="cursor-pointer soft">An overlay <kbd>O</kbd></summary>
    <form method="post" action="{{ route('allowance.overlay') }}" class="grid gap-1 mt-1">@csrf
        <input type="hidden" name="key" value="{{ $key }}-o">
        <label>Amount <input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" required class="w-28 text-right">
            <select name="side" aria-label="Direction">
                <option value="more">more</option>
                <option value="less" @selected(old('side') === 'less')>less</option>
            </select></label>
        <label>Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-72"></label>
        <label>Look again on <input type="date" name="review" value="{{ old('review') }}"></label>
        <span><button class="button py-0.5!">Keep</button></span>
    </form>
</details>
<details data-hotkey="r">
    <summary class="cursor-pointer soft">A loss rate <kbd>R</kbd></summary>
    <form method="post" action="{{ route('allowance.rate') }}" class="grid gap-1 mt-1">@csrf
        <input type="hidden" name="key" value="{{ $key }}-r">
        <label>Group <input type="text" name="group" value="{{ old('group') }}" placeholder="all others" class="w-36"></label>
        <label>Age <select name="bucket">
                @foreach ([...$run->basis->buckets->labels, 'contested'] as $label)
                    <option value="{{ $label }}" @selected(old('bucket') === $label)>{{ str_replace(['_', '-'], [' ', '–'], $label) }}</option>
                @endforeach
            </select></label>
        <label>Rate <input type="text" inputmode="decimal" name="rate" value="{{ old('rate') }}" required class="w-20 text-right"> %</label>
        <label>Where it comes from <input type="text" name="source" value="{{ old('source') }}" required class="w-64"></label>
        <span><button class="button py-0.5!">Keep</button></span>
    </form>
</details>
