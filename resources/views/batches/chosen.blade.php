@use('App\Http\Say')
@php $open = $chosen->postedAt === null; @endphp
<div class="flex items-baseline gap-4">
    <h2 class="title">Batch {{ $chosen->reference }}</h2><a class="ml-auto" href="{{ route('batches.register', $chosen->id) }}" hx-boost="false">Register, PDF</a>
</div>
<p class="lead">{{ ucfirst($chosen->way->value) }} of {{ Say::day($chosen->date) }} to {{ $chosen->account->title() }},
    {{ $chosen->posting === App\Values\BatchPosting::AsOne ? 'as one sum' : 'one by one' }}. @if (!$open)
        <span class="tag green">posted {{ Say::moment($chosen->postedAt) }}</span>
    @endif
</p>
<div class="pairbox" style="grid-template-columns: 1fr 1fr 1fr">
    <div>
        <div class="soft">Declared</div>
        <div class="figure">{{ $chosen->declared->grouped() }}</div>
    </div>
    <div>
        <div class="soft">Entered, {{ count($chosen->lines) }}</div>
        <div class="figure">{{ $chosen->entered()->grouped() }}</div>
    </div>
    <div class="border-l border-line-strong">
        <div class="soft">Remaining</div>
        <div class="figure" id="remainder">{{ $chosen->remaining()->grouped() }}</div>
    </div>
</div>
<table class="grid-table mt-3">
    <thead>
        <tr>
            <th scope="col">Customer</th>
            <th scope="col">Reference</th>
            <th scope="col">Settles</th>
            <th scope="col" class="n">Amount</th>
            <th scope="col"></th>
        </tr>
    </thead>
    <tbody>
        @foreach ($chosen->lines as $line)
            @php $request = $requests[$line->id] ?? null; @endphp
            <tr>
                <td>{{ $names[$line->origin->customerId]->name ?? '' }}</td>
                <td>{{ $line->reference }}</td>
                <td class="soft">
                    @if ($open)
                        <a
                            href="{{ route('receipts', ['line' => $line->id]) }}">{{ $request && $request->takes !== []
                                ? implode(', ', array_map(fn($id) => $documents[$id] ?? '', array_slice(array_keys($request->takes), 0, 3)))
                                : 'stays unapplied' }}</a>
                    @else
                        {{ $line->payer->remittance }}
                    @endif
                </td>
                <td class="n">{{ $line->amount->grouped() }}</td>
                <td class="nowrap">
                    @if ($open && $writes)
                        <form method="post" action="{{ route('batches.remove', $line->id) }}">@csrf
                            <input type="hidden" name="key" value="{{ $key }}">
                            <button class="slate underline cursor-pointer"
                                aria-label="Take out {{ $line->amount->grouped() }} of {{ $names[$line->origin->customerId]->name ?? '' }}">take
                                out</button>
                        </form>
                    @endif
                </td>
            </tr>
        @endforeach
    </tbody>
</table>
@if ($open && $writes)
    <form method="post" action="{{ route('batches.type') }}" class="flex flex-wrap gap-2 items-end mt-3">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="batch" value="{{ $chosen->id }}">
        <label>Customer<br>
            <input type="text" name="who" value="{{ old('who') }}" required autofocus class="w-48" list="customers"
                hx-get="{{ route('customers.options') }}" hx-trigger="input changed delay:200ms" hx-target="#customers" autocomplete="off"></label>
        <label>Reference<br>
            <input type="text" name="reference" value="{{ old('reference') }}" class="w-24"></label>
        <label>Amount<br>
            <input type="text" inputmode="decimal" name="amount" value="{{ old('amount') }}" required class="w-28 text-right"></label>
        <label>Pays<br>
            <input type="text" name="pays" value="{{ old('pays') }}" placeholder="documents" class="w-40"></label>
        @include('batches.both')
        <button class="button">Add</button>
    </form>
    <div class="foot">
        <form method="post" action="{{ route('batches.declare', $chosen->id) }}" class="flex gap-2 items-center">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <label>Declared <input type="text" inputmode="decimal" name="declared" value="{{ $chosen->declared->decimal() }}"
                    class="w-28 text-right"></label>
            <label>Dated <x-day name="date" :value="$chosen->date" /></label>
            <input type="hidden" name="as" value="{{ $chosen->posting === App\Values\BatchPosting::AsOne ? 'one' : 'each' }}">
            <button class="slate underline cursor-pointer">change</button>
        </form>
        @if ($chosen->lines === [])
            <form method="post" action="{{ route('batches.close', $chosen->id) }}">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <button class="slate underline cursor-pointer">drop</button>
            </form>
        @endif
        <form method="post" action="{{ route('batches.post', $chosen->id) }}" class="ml-auto">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <button class="button main" data-main @disabled(!$chosen->remaining()->isZero() || $chosen->lines === [])>Post
                {{ Say::count(count($chosen->lines), 'receipt') }}, {{ $chosen->entered()->grouped() }} <kbd>Ctrl ↵</kbd></button>
        </form>
    </div>
@endif
