@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor, string $currency) => Money::ofMinor($minor, $currency)->grouped();
    $here = fn(array $ids) => route('credit-note', ['customer' => $customer->id, 'ids' => $ids]);
    $ids = array_keys($invoices);
@endphp
<x-layout title="Credit note" class="halves">
    <form method="post" action="{{ route('credit-note.post', $customer->id) }}" class="contents" id="note">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <div class="pane" hx-post="{{ route('credit-note.rehearse', $customer->id) }}" hx-trigger="change, input changed delay:350ms" hx-target="#rehearsal"
            hx-swap="outerHTML" hx-include="closest form" hx-disinherit="hx-target hx-swap hx-include hx-trigger">
            <h1>Credit note for {{ $customer->name }}</h1>
            <p class="lead">Say of each line what goes back: a quantity, the price that it should have had, or an amount without tax. Account and tax follow
                the line.</p>
            @foreach ($invoices as $id => [$invoice, $lines])
                <h2><a href="{{ route('document', $id) }}">{{ $invoice->title() }}</a> <span class="slate">{{ Say::shortDay($invoice->date) }},
                        {{ $invoice->amount->grouped() }}, open {{ $invoice->takeable->grouped() }} {{ $invoice->amount->currency->code }}</span></h2>
                <table class="grid-table">
                    <thead>
                        <tr>
                            <th scope="col">Line</th>
                            <th scope="col" class="n">Sold</th>
                            <th scope="col" class="n">Left</th>
                            <th scope="col" class="n">Quantity back</th>
                            <th scope="col" class="n">Right price</th>
                            <th scope="col" class="n">Amount</th>
                        </tr>
                    </thead>
                    <tbody>
                        @forelse ($lines as $line)
                            <tr>
                                <td>{{ $line->name }} {{ $line->description }} <span class="slate">{{ $line->rate }} %</span></td>
                                <td class="n">{{ $line->quantity->quantity }} × {{ $line->quantity->price }}</td>
                                <td class="n">{{ $money($line->rest, $invoice->amount->currency->code) }}</td>
                                @foreach (['quantity' => 'Quantity back', 'price' => 'Right price', 'net' => 'Amount'] as $field => $words)
                                    <td class="n">
                                        <input type="text" inputmode="decimal" name="{{ $field }}[{{ $id }}][{{ $line->name }}]"
                                            value="{{ $old->typed($field, $id, $line->name) }}"
                                            aria-label="{{ $words }} of {{ $invoice->document }} line {{ $line->name }}"
                                            class="w-20 text-right h-6!">
                                    </td>
                                @endforeach
                            </tr>
                        @empty
                            <tr>
                                <td colspan="6">The lines of this invoice are not in the books (item_lines.csv). Credit it with a line of its own below; then
                                    tick that it settles nothing, or match it by hand.</td>
                            </tr>
                        @endforelse
                    </tbody>
                </table>
            @endforeach
            @include('credit-notes.own-lines')
            @if ($invoices === [])
                <p class="mt-2">
                    <label>In <input type="text" name="currency" value="{{ $old->text('currency') ?: $customer->currency }}" class="w-16"
                            maxlength="3"></label>
                </p>
            @endif
            @if ($others->isNotEmpty())
                <details class="mt-3" @if ($invoices === []) open @endif data-hotkey="i">
                    <summary class="cursor-pointer soft">Another invoice of the customer <kbd>I</kbd></summary>
                    <table class="grid-table">
                        <tbody>
                            @foreach ($others as $other)
                                <tr>
                                    <td><a href="{{ $here([...$ids, $other->root_id]) }}">{{ $other->document }}</a></td>
                                    <td>{{ Say::shortDay($other->date) }}</td>
                                    <td class="n">{{ $money($other->amount, $other->currency) }}</td>
                                    <td class="n soft">
                                        {{ $other->matched < $other->amount ? 'open ' . $money($other->amount - $other->matched, $other->currency) : 'settled' }}
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </details>
            @endif
        </div>
        <aside class="pane worktop" aria-label="What it posts">
            <h2 class="title">What it posts</h2>
            <div class="flex flex-wrap gap-3 items-end mb-3">
                <label class="grid">Dated <x-day name="date" :value="$old->text('date') ?: $date" /></label>
                <label class="grid">Reason <input type="text" name="reason" value="{{ $old->text('reason') }}" required class="w-60"></label>
                @if ($invoices !== [])
                    <label class="basis-full">
                        <input type="checkbox" name="match" value="1" @checked($old->settles())> settle
                        {{ count($invoices) === 1 ? 'the invoice' : 'the invoices' }} with it at once</label>
                @endif
            </div>
            @include('credit-notes.rehearsal')
        </aside>
    </form>
</x-layout>
