@php use Ajuste\Core\Money\Money; use App\Http\Say; $money = fn (int $minor, string $currency) => Money::ofMinor($minor, $currency)->grouped(); $here = fn (array $ids) => route('credit-note', ['customer' => $customer->id, 'ids' => $ids]); $ids = array_keys($invoices); @endphp
<x-layout title="Credit note" class="halves">
    <form method="post" action="{{ route('credit-note.post', $customer->id) }}" class="contents" id="note">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <div class="pane" hx-post="{{ route('credit-note.rehearse', $customer->id) }}" hx-trigger="change, input changed delay:350ms" hx-target="#rehearsal" hx-swap="outerHTML" hx-include="closest form">
        <h1>Credit note for {{ $customer->name }}</h1>
        <p class="lead">Say of each line what goes back: a quantity, the price that it should have had, or an amount without tax. Account and tax follow the line.</p>
        @foreach ($invoices as $id => [$invoice, $lines])
            <h2><a href="{{ route('document', $id) }}">{{ $invoice->title() }}</a> <span class="slate">{{ Say::shortDay($invoice->date) }}, {{ $invoice->amount->grouped() }}, open {{ $invoice->open->grouped() }} {{ $invoice->amount->currency->code }}</span></h2>
            <table class="grid-table">
                <thead><tr><th scope="col">Line</th><th scope="col" class="n">Sold</th><th scope="col" class="n">Left</th><th scope="col" class="n">Quantity back</th><th scope="col" class="n">Right price</th><th scope="col" class="n">Amount</th></tr></thead>
                <tbody>
                @forelse ($lines as $line)
                    <tr><td>{{ $line->line }} {{ $line->description }} <span class="slate">{{ $line->tax_rate }} %</span></td><td class="n">{{ $line->quantity }} × {{ $line->unit_price }}</td><td class="n">{{ $money($line->rest, $invoice->amount->currency->code) }}</td>
                        @foreach (['quantity' => 'Quantity back', 'price' => 'Right price', 'net' => 'Amount'] as $field => $words)<td class="n"><input type="text" inputmode="decimal" name="{{ $field }}[{{ $id }}][{{ $line->line }}]" value="{{ $old?->lines[$id][$line->line]?->$field ?? '' }}" aria-label="{{ $words }} of {{ $invoice->document }} line {{ $line->line }}" class="w-20 text-right h-6!"></td>@endforeach</tr>
                @empty
                    <tr><td colspan="6">The lines of this invoice are not in the books (item_lines.csv). Credit it with a line of its own below; then tick that it settles nothing, or match it by hand.</td></tr>
                @endforelse
                </tbody>
            </table>
        @endforeach
        <h2>Lines of its own</h2>
        <table class="grid-table">
            <thead><tr><th scope="col">Text</th><th scope="col">Account</th><th scope="col" class="n">Tax, %</th><th scope="col" class="n">Amount</th><th scope="col">Dimension</th></tr></thead>
            <tbody>@for ($place = 0; $place < 2; $place++)@php $free = $old->free[$place] ?? null; @endphp<tr><td><input type="text" name="free_text[{{ $place }}]" value="{{ $free?->description }}" aria-label="Text of own line {{ $place + 1 }}" class="w-full h-6!"></td><td><select name="free_account[{{ $place }}]" aria-label="Account of own line {{ $place + 1 }}" class="w-52">@foreach ($accounts as $account)<option value="{{ $account->number }}" @selected($free ? $free->account === $account->number : $account->role?->value === 'sales_reductions')>{{ $account->title() }}</option>@endforeach</select></td><td class="n"><input type="text" inputmode="decimal" name="free_rate[{{ $place }}]" value="{{ $free?->rate }}" aria-label="Tax of own line {{ $place + 1 }}" class="w-14 text-right h-6!"></td><td class="n"><input type="text" inputmode="decimal" name="free_net[{{ $place }}]" value="{{ $free?->net }}" aria-label="Amount of own line {{ $place + 1 }}" class="w-24 text-right h-6!"></td><td><input type="text" name="free_dimension[{{ $place }}]" value="{{ $free?->dimension }}" placeholder="cost centre" aria-label="Dimension of own line {{ $place + 1 }}" class="w-24 h-6!"></td></tr>@endfor</tbody>
        </table>
        @if ($invoices === [])<p class="mt-2"><label>In <input type="text" name="currency" value="{{ $old?->currency ?: $customer->currency }}" class="w-16" maxlength="3"></label></p>@endif
        @if ($others->isNotEmpty())
            <details class="mt-3" @if ($invoices === []) open @endif data-hotkey="i"><summary class="cursor-pointer soft">Another invoice of the customer <kbd>I</kbd></summary>
                <table class="grid-table"><tbody>@foreach ($others as $other)<tr><td><a href="{{ $here([...$ids, $other->root_id]) }}">{{ $other->document }}</a></td><td>{{ Say::shortDay($other->date) }}</td><td class="n">{{ $money($other->amount, $other->currency) }}</td><td class="n soft">{{ $other->matched < $other->amount ? 'open '.$money($other->amount - $other->matched, $other->currency) : 'settled' }}</td></tr>@endforeach</tbody></table></details>
        @endif
    </div>
    <aside class="pane worktop" aria-label="What it posts">
        <h2 class="title">What it posts</h2>
        <div class="flex flex-wrap gap-3 items-end mb-3"><label class="grid">Dated <x-day name="date" :value="$old?->date ?: $date"/></label><label class="grid">Reason <input type="text" name="reason" value="{{ $old?->reason }}" required class="w-60"></label>@if ($invoices !== [])<label class="basis-full"><input type="checkbox" name="match" value="1" @checked($old?->match ?? true)> settle {{ count($invoices) === 1 ? 'the invoice' : 'the invoices' }} with it at once</label>@endif</div>
        @include('credit-notes.rehearsal')
    </aside>
    </form>
</x-layout>
