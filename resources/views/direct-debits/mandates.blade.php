@php
    use Ajuste\Core\DirectDebit\MandateUse;
    use Ajuste\Core\DirectDebit\Scheme;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Mandates" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Mandates</h1><a class="ml-auto" href="{{ route('direct-debits') }}">Direct debits</a>
        </div>
        <p class="lead">Who signed that open invoices may be collected, from which account. A mandate is never changed; a new one takes its place.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list>
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Customer</button>
                    </th>
                    <th scope="col">
                        <button type="button">Mandate</button>
                    </th>
                    <th scope="col">
                        <button type="button">Signed</button>
                    </th>
                    <th scope="col">
                        <button type="button">Last used</button>
                    </th>
                    <th scope="col">
                        <button type="button">State</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @forelse ($mandates as $of)
                    @php $why = $of->whyNot($day); @endphp
                    <tr>
                        <td><a href="{{ route('customer', $of->customer->id) }}">{{ $of->customer->name }}</a>
                            @if ($of->mandate->holder !== $of->customer->name)
                                <br><span class="slate">{{ $of->mandate->holder }}</span>
                            @endif
                        </td>
                        <td>{{ $of->mandate->reference }}<br><span class="slate">{{ $of->mandate->scheme->value }}, {{ $of->mandate->use->value }},
                                {{ Say::iban($of->mandate->iban) }}</span></td>
                        <td class="nowrap" data-sort="{{ $of->mandate->signed }}">{{ Say::shortDay($of->mandate->signed) }}</td>
                        <td class="nowrap" data-sort="{{ $of->history->lastCollected }}">{{ Say::shortDay($of->history->lastCollected ?? '') }}</td>
                        <td>
                            <span @class(['tag', 'green' => $why === '', 'ochre' => $why !== ''])>{{ $why === '' ? 'can be used' : $why }}</span>
                            @if ($writes && $of->history->ended === '')
                                <details>
                                    <summary class="cursor-pointer slate">end it</summary>
                                    <form method="post" action="{{ route('mandates.end', $of->id) }}" class="flex flex-wrap gap-2 items-center">@csrf
                                        <input type="hidden" name="key" value="{{ $key }}-{{ $of->id }}">
                                        <label>From <x-day name="date" :value="$day" /></label>
                                        <label>Because <input type="text" name="reason" required class="w-36"></label>
                                        <button class="button py-0.5!">End {{ $of->mandate->reference }}</button>
                                    </form>
                                </details>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="5">No mandate yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="mandates" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="A mandate">
        <h2 class="title">Keep a mandate</h2>
        @if ($writes)
            <p class="lead">As it was signed. The reference is what the payer's bank knows it by.</p>
            <form method="post" action="{{ route('mandates.keep') }}" class="grid gap-3 max-w-md">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label>Customer<br>
                    <input type="text" name="who" value="{{ old('who') }}" required class="w-full" list="customers" data-hotkey="b"
                        hx-get="{{ route('customers.options') }}" hx-trigger="input changed delay:200ms" hx-target="#customers"
                        autocomplete="off"></label>
                <datalist id="customers"></datalist>
                <label>Reference<br>
                    <input type="text" name="reference" value="{{ old('reference') }}" required maxlength="35" class="w-full"></label>
                <label>Account number (IBAN)<br>
                    <input type="text" name="iban" value="{{ old('iban') }}" required class="w-full"></label>
                <label>Account holder<br>
                    <input type="text" name="holder" value="{{ old('holder') }}" placeholder="the customer" class="w-full"></label>
                <label>Signed on<br> <x-day name="signed" :value="old('signed', '')" required /></label>
                <label>Scheme<br>
                    <select name="scheme" class="w-full">
                        @foreach (Scheme::cases() as $scheme)
                            <option value="{{ $scheme->value }}" @selected(old('scheme') === $scheme->value)>{{ $scheme->value }}, {{ $scheme->words() }}
                            </option>
                        @endforeach
                    </select></label>
                <label>For<br>
                    <select name="use">
                        @foreach (MandateUse::cases() as $use)
                            <option value="{{ $use->value }}" @selected(old('use') === $use->value)>
                                {{ $use === MandateUse::Once ? 'one debit' : 'debits again and again' }}</option>
                        @endforeach
                    </select></label>
                <span><button class="button main" data-main>Keep the mandate <kbd>Ctrl ↵</kbd></button></span>
            </form>
        @else
            <p class="lead">A reader can look at everything and keep none.</p>
        @endif
    </aside>
</x-layout>
