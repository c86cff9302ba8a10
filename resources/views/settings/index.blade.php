@php $writes = Auth::user()->role->mayWrite(); @endphp
<x-layout title="Settings" class="halves">
    <div class="pane">
        @include('settings.places', ['here' => 'settings'])
        <h1>Settings of the receipts</h1>
        <h2>Reasons for deductions</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Code</th>
                    <th scope="col">Words</th>
                    <th scope="col">Accepted to</th>
                    <th scope="col">Tax relief</th>
                    <th scope="col">Invoice</th>
                    <th scope="col"></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($reasons as $reason)
                    <tr>
                        <td>{{ $reason->code }}</td>
                        <td>{{ $reason->words }}</td>
                        <td>{{ $reason->isContested() ? 'contested: stays open' : $reason->account->title() }}</td>
                        <td>{{ $reason->taxRelief ? 'yes' . ($reason->rate === '' ? '' : ", {$reason->rate} % without an invoice") : 'no' }}</td>
                        <td>{{ $reason->namesInvoice ? 'must be named' : '' }}</td>
                        <td>
                            @if ($writes)
                                <form method="post" action="{{ route('settings.retire', $reason->code) }}">@csrf
                                    <input type="hidden" name="key" value="{{ $key }}-{{ $loop->index }}">
                                    <button class="slate underline cursor-pointer" aria-label="No longer offer {{ $reason->words }}">no longer offer</button>
                                </form>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="6">None yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        @if ($writes)
            <form method="post" action="{{ route('settings.reason') }}" class="flex flex-wrap gap-3 items-end mt-3">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label>Code<br>
                    <input type="text" name="code" value="{{ old('code') }}" required class="w-24"></label>
                <label>Words<br>
                    <input type="text" name="words" value="{{ old('words') }}" required class="w-44"></label>
                <label>Accepted to<br>
                    <select name="account">
                        <option value="">contested: stays open</option>
                        @foreach ($accounts as $account)
                            @unless ($account->role?->carriesCustomers())
                                <option value="{{ $account->number }}" @selected(old('account') === $account->number)>{{ $account->title() }}</option>
                            @endunless
                        @endforeach
                    </select>
                </label>
                <label>
                    <input type="checkbox" name="tax_relief" value="1"> tax relief</label>
                <label>Rate without an invoice, %<br>
                    <input type="text" name="rate" value="{{ old('rate') }}" class="w-20"></label>
                <label>
                    <input type="checkbox" name="names_invoice" value="1">
                    must name an invoice</label>
                <button class="button">Keep</button>
            </form>
        @endif
    </div>
    <aside class="pane worktop" aria-label="Payers and rules">
        <h2>Not receivables, by rule</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">When it says</th>
                    <th scope="col">It is</th>
                    <th scope="col"></th>
                </tr>
            </thead>
            <tbody>
                @forelse ($rules as $rule)
                    <tr>
                        <td>{{ $rule->words }}</td>
                        <td>{{ $rule->reason }}</td>
                        <td>
                            @if ($writes)
                                <form method="post" action="{{ route('settings.rule', $rule->id) }}">@csrf
                                    <input type="hidden" name="key" value="{{ $key }}-r{{ $rule->id }}">
                                    <button class="slate underline cursor-pointer" aria-label="Withdraw the rule {{ $rule->words }}">withdraw</button>
                                </form>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="3">No rule. One is made where a line is put out of the way.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        @include('settings.payers')
    </aside>
</x-layout>
