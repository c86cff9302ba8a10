@php use App\Actions\Receipts\Way; use App\Http\Say; $writes = Auth::user()->role->mayWrite(); @endphp
<x-layout title="Batches" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4"><h1>Batches and typed receipts</h1><a class="ml-auto" href="{{ route('receipts') }}">Receipts</a></div>
        <p class="lead">What is paid in together, against the total on the slip.</p>
        <x-filter/>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead><tr><th scope="col"><button type="button">Batch</button></th><th scope="col"><button type="button">Dated</button></th><th scope="col"><button type="button">Paid by</button></th><th scope="col" class="n"><button type="button">Declared</button></th><th scope="col" class="n"><button type="button">Remaining</button></th></tr></thead>
            <tbody>
            @forelse ($batches as $batch)
                <tr data-minor="{{ $batch->declared->minor }}" @class(['current' => $chosen?->id === $batch->id])>
                    <td><a href="{{ route('batches', ['batch' => $batch->id]) }}">{{ $batch->reference }}</a></td><td class="nowrap" data-sort="{{ $batch->date }}">{{ Say::shortDay($batch->date) }}</td><td>{{ $batch->way->value }}, {{ count($batch->lines) }}</td>
                    <td class="n font-semibold" data-sort="{{ $batch->declared->minor }}">{{ $batch->declared->grouped() }}</td><td class="n">@if ($batch->postedAt)<span class="tag green">posted</span>@else{{ $batch->remaining()->grouped() }}@endif</td>
                </tr>
            @empty
                <tr><td colspan="5">No batch yet. Open one with the total of the paying-in slip.</td></tr>
            @endforelse
            </tbody>
        </table>
        <x-table-foot name="batches" sum-of="Declared"/>
        @if ($writes)
            <h2>Open a batch</h2>
            <form method="post" action="{{ route('batches.open') }}" class="flex flex-wrap gap-3 items-end">@csrf<input type="hidden" name="key" value="{{ $key }}">
                <label>Declared total<br><input type="text" inputmode="decimal" name="declared" value="{{ old('declared') }}" required class="w-32 text-right" data-hotkey="b"></label>
                <label>Paid by<br><select name="way">@foreach (Way::cases() as $way)<option @selected(old('way') === $way->value)>{{ $way->value }}</option>@endforeach</select></label>
                <label>Dated<br><x-day name="date" :value="old('date', $last)"/></label>
                <label>Name<br><input type="text" name="reference" value="{{ old('reference') }}" placeholder="slip number" class="w-28"></label>
                <label>To account<br><input type="text" name="account" value="{{ old('account') }}" placeholder="as usual" class="w-24"></label>
                <label>Posted<br><select name="as"><option value="one">as one sum</option><option value="each">one by one</option></select></label>
                <button class="button">Open <kbd>B</kbd></button>
            </form>
            <h2>One receipt by itself</h2>
            <form method="post" action="{{ route('batches.type') }}" class="flex flex-wrap gap-3 items-end">@csrf<input type="hidden" name="key" value="{{ $key }}">
                <label>Customer<br><input type="text" name="who" required class="w-52" list="customers" hx-get="{{ route('customers.options') }}" hx-trigger="input changed delay:200ms" hx-target="#customers" autocomplete="off"></label>
                <label>Amount<br><input type="text" inputmode="decimal" name="amount" required class="w-28 text-right"></label>
                <label>Paid by<br><select name="way">@foreach (Way::cases() as $way)<option>{{ $way->value }}</option>@endforeach</select></label>
                <label>Dated<br><x-day name="date" :value="$last"/></label>
                <label>Cheque or reference<br><input type="text" name="reference" class="w-28"></label>
                <label>Pays<br><input type="text" name="pays" placeholder="documents" class="w-40"></label>
                <label>To account<br><input type="text" name="account" placeholder="as usual" class="w-24"></label>
                <button class="button">Type and place</button>
            </form>
        @endif
        <datalist id="customers"></datalist>
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The chosen batch">
        @if ($chosen)
            @php $open = $chosen->postedAt === null; @endphp
            <div class="flex items-baseline gap-4"><h2 class="title">Batch {{ $chosen->reference }}</h2><a class="ml-auto" href="{{ route('batches.register', $chosen->id) }}" hx-boost="false">Register, PDF</a></div>
            <p class="lead">{{ ucfirst($chosen->way->value) }} of {{ Say::day($chosen->date) }} to {{ $chosen->account->title() }}, {{ $chosen->asOne ? 'as one sum' : 'one by one' }}. @if (! $open)<span class="tag green">posted {{ Say::moment($chosen->postedAt) }}</span>@endif</p>
            <div class="pairbox" style="grid-template-columns: 1fr 1fr 1fr">
                <div><div class="soft">Declared</div><div class="figure">{{ $chosen->declared->grouped() }}</div></div>
                <div><div class="soft">Entered, {{ count($chosen->lines) }}</div><div class="figure">{{ $chosen->entered()->grouped() }}</div></div>
                <div class="border-l border-line-strong"><div class="soft">Remaining</div><div class="figure" id="remainder">{{ $chosen->remaining()->grouped() }}</div></div>
            </div>
            <table class="grid-table mt-3">
                <thead><tr><th scope="col">Customer</th><th scope="col">Reference</th><th scope="col">Settles</th><th scope="col" class="n">Amount</th><th scope="col"></th></tr></thead>
                <tbody>
                @foreach ($chosen->lines as $line)
                    @php $request = $requests[$line->id] ?? null; @endphp
                    <tr><td>{{ $names[$line->customerId]->name ?? '' }}</td><td>{{ $line->reference }}</td>
                        <td class="soft">@if ($open)<a href="{{ route('receipts', ['line' => $line->id]) }}">{{ $request && $request->typed !== [] ? implode(', ', array_map(fn ($id) => $documents[$id] ?? '', array_slice(array_keys($request->typed), 0, 3))) : 'stays loose' }}</a>@else{{ $line->remittance }}@endif</td>
                        <td class="n">{{ $line->amount->grouped() }}</td>
                        <td class="nowrap">@if ($open && $writes)<form method="post" action="{{ route('batches.remove', $line->id) }}">@csrf<input type="hidden" name="key" value="{{ $key }}"><button class="slate underline cursor-pointer" aria-label="Take out {{ $line->amount->grouped() }} of {{ $names[$line->customerId]->name ?? '' }}">take out</button></form>@endif</td></tr>
                @endforeach
                </tbody>
            </table>
            @if ($open && $writes)
                <form method="post" action="{{ route('batches.type') }}" class="flex flex-wrap gap-2 items-end mt-3">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="batch" value="{{ $chosen->id }}">
                    <label>Customer<br><input type="text" name="who" value="{{ old('who') }}" required autofocus class="w-48" list="customers" hx-get="{{ route('customers.options') }}" hx-trigger="input changed delay:200ms" hx-target="#customers" autocomplete="off"></label>
                    <label>Reference<br><input type="text" name="reference" value="{{ old('reference') }}" class="w-24"></label>
                    <label>Amount<br><input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" required class="w-28 text-right"></label>
                    <label>Pays<br><input type="text" name="pays" value="{{ old('pays') }}" placeholder="documents" class="w-40"></label>
                    <button class="button">Add</button>
                </form>
                <div class="foot">
                    <form method="post" action="{{ route('batches.declare', $chosen->id) }}" class="flex gap-2 items-center">@csrf<input type="hidden" name="key" value="{{ $key }}"><label>Declared <input type="text" inputmode="decimal" name="declared" value="{{ $chosen->declared->decimal() }}" class="w-28 text-right"></label><input type="hidden" name="as" value="{{ $chosen->asOne ? 'one' : 'each' }}"><button class="slate underline cursor-pointer">change</button></form>
                    @if ($chosen->lines === [])<form method="post" action="{{ route('batches.close', $chosen->id) }}">@csrf<input type="hidden" name="key" value="{{ $key }}"><button class="slate underline cursor-pointer">drop</button></form>@endif
                    <form method="post" action="{{ route('batches.post', $chosen->id) }}" class="ml-auto">@csrf<input type="hidden" name="key" value="{{ $key }}"><button class="button main" data-main @disabled(! $chosen->remaining()->isZero() || $chosen->lines === [])>Post {{ Say::count(count($chosen->lines), 'receipt') }}, {{ $chosen->entered()->grouped() }} <kbd>Ctrl ↵</kbd></button></form>
                </div>
            @endif
        @else
            <h2 class="title">Choose a batch, or open one</h2>
            <p class="lead">Each receipt is typed with its customer and what it pays. It settles what is quoted or of the same amount, if that is the only one; the rest stays loose. Nothing is posted until nothing remains of the declared total.</p>
        @endif
    </aside>
</x-layout>
