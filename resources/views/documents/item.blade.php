@php
    use Ajuste\Core\Money\Money; use Ajuste\Core\Subledger\Kind; use App\Http\Say;
    $amount = fn (int $minor) => Money::ofMinor($minor, $item->currency)->grouped(); $money = fn (int $minor) => Money::ofMinor($minor, $base);
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="{{ $item->document }}" class="halves">
    <div class="pane">
        <h1>{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</h1>
        <p class="lead"><a href="{{ route('customer', $customer->id) }}">{{ $customer->customer }} {{ $customer->name }}</a> on {{ $account->title() }}</p>
        @if ($reversal)<div class="note">{{ $reversal->item_id === $item->root_id ? 'Taken back' : 'Takes back' }} <a href="{{ route('document', $reversal->item_id === $item->root_id ? $reversal->by_item_id : $reversal->item_id) }}">{{ $reversal->item_id === $item->root_id ? 'by its counterpart' : 'this document' }}</a> as of {{ Say::day($reversal->date) }}, {{ $reversal->who }}: {{ $reversal->reason }}</div>@endif
        <div class="pairbox">
            <div><div class="soft">{{ $item->side === 'debit' ? 'Debit' : 'Credit' }}</div><div class="figure">{{ $amount($item->amount) }} {{ $item->currency }}</div>@if ($item->currency !== $base->code)<div class="slate">{{ $money($item->base)->grouped() }} {{ $base->code }}</div>@endif</div>
            <div><div class="soft">Open, all matches counted</div><div class="figure">{{ $amount($item->amount - $position->matched) }} {{ $item->currency }}</div>@if ($position->settled_on)<div class="slate">settled {{ Say::day($position->settled_on) }}</div>@elseif ($item->currency !== $base->code)<div class="slate">carries {{ $money($item->base - $position->moved)->grouped() }} {{ $base->code }}</div>@endif</div>
        </div>
        <dl class="facts mt-4">
            <dt>Dated</dt><dd>{{ Say::day($item->date) }}</dd><dt>Due</dt><dd>{{ Say::day($item->due_date) }}</dd>
            @foreach (['reference' => 'Reference', 'terms' => 'Terms', 'entry' => 'Ledger entry', 'batch' => 'Batch'] as $field => $name)@if ($item->$field !== '')<dt>{{ $name }}</dt><dd>{{ $item->$field }}</dd>@endif @endforeach
            @if ($voucher)<dt>Posted here by</dt><dd><a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a></dd>@endif
        </dl>
        @foreach ($contested as $part)
            <div class="note"><b>{{ $part->amount->grouped() }} {{ $part->amount->currency->code }}</b> is contested since {{ Say::day($part->since) }}: {{ $part->reason }}. It stays open here; {{ $part->owner }} looks after it.
                @if ($writes)<form method="post" action="{{ route('contested.end', $part->id) }}" class="flex gap-3 mt-1 items-center">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="date" value="{{ $today }}"><label>No longer contested, because <input type="text" name="reason" required placeholder="paid, accepted, withdrawn" class="w-48"></label><button class="button py-0.5!">End</button></form>@endif</div>
        @endforeach
        @if ($offer)
            <h2>Early payment discount</h2>
            <p class="soft">{{ $item->terms }}: {{ $amount($offer->whole($item->amount)) }} {{ $item->currency }}, {{ $offer->lastDay() === null ? 'granted whatever the day' : ($offer->lastDay() === '' ? 'denied' : 'for payments with a value date up to '.Say::day($offer->lastDay())) }}. To forgo it costs the customer {{ $offer->yearlyCostSimple() }} % a year ({{ $offer->yearlyCostCompound() }} % compound); to grant it costs us the same.
                @if ($decision)<span class="tag">{{ $decision->choice->words() }}: {{ $decision->reason }}</span>@endif</p>
            @if ($writes)<form method="post" action="{{ route('discount.decide', $item->root_id) }}" class="flex flex-wrap gap-3 items-center">@csrf<input type="hidden" name="key" value="{{ $key }}"><select name="choice" aria-label="Decision on the discount"><option value="grant">grant it</option><option value="deny">deny it</option><option value="until">move its last day to</option></select><x-day name="until" aria-label="Last day"/><input type="text" name="reason" required placeholder="reason" aria-label="Reason" class="w-48"><button class="button py-0.5!">Decide</button></form>@endif
        @endif
        @if ($isReceipt)
            <h2>The money</h2>
            <table class="grid-table"><tbody>@forelse ($moneyLines as $line)<tr><td>{{ $line->kind === 'confirmed' ? 'Confirmed by the statement' : ($line->kind === 'returned' ? 'Came back with' : ($line->way === 'statement' ? 'Came with the statement' : "Typed, {$line->way}")) }} {{ $line->reference }}</td><td>{{ trim("{$line->party} {$line->remittance}") }}</td><td class="nowrap">{{ Say::day($line->booking_date) }}</td><td class="n">{{ Money::ofMinor($line->amount, $line->currency)->grouped() }}</td></tr>@empty<tr><td>No line of a statement confirms it yet.</td></tr>@endforelse</tbody></table>
            <div class="mt-2 flex flex-wrap gap-3 items-center"><a class="button py-0.5!" href="{{ route('receipt.paper', $item->root_id) }}" hx-boost="false">Document, PDF</a>
                @if ($writes)<form method="post" action="{{ route('receipt.send', $item->root_id) }}">@csrf<input type="hidden" name="key" value="{{ $key }}"><button class="button py-0.5!">Send to the payer</button></form>@endif</div>
        @endif
        @if ($writes && $isInvoice && ! $reversal)
            <p class="mt-3"><a href="{{ route('credit-note', ['customer' => $customer->id, 'ids' => [$item->root_id]]) }}" data-hotkey="c">Credit some of it <kbd>C</kbd></a></p>
            @if ($position->matched > 0 && $item->amount > $position->matched)
                <details class="mt-1" data-hotkey="r"><summary class="cursor-pointer soft">Clear the {{ $amount($item->amount - $position->matched) }} left with a credit note <kbd>R</kbd></summary>
                    <form method="post" action="{{ route('credit-note.clear', $item->root_id) }}" class="flex flex-wrap gap-3 items-center mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><label>Dated <x-day name="date" :value="$today"/></label><label>Reason <input type="text" name="reason" required class="w-44"></label><button class="button py-0.5!">Clear {{ $amount($item->amount - $position->matched) }}</button></form></details>
            @endif
        @endif
        @if ($creditNote)
            <p class="mt-3 flex flex-wrap gap-3 items-center">Because: {{ $creditNote->reason }}. <a class="button py-0.5!" href="{{ route('credit-note.paper', $item->root_id) }}" hx-boost="false">Document, PDF</a></p>
        @endif
        @if ($writes && $item->side === 'credit' && $item->amount > $position->matched)
            <details class="mt-3"><summary class="cursor-pointer soft">Pay it back</summary>
                <form method="post" action="{{ route('refunds.post', $item->root_id) }}" class="flex flex-wrap gap-3 items-center mt-2">@csrf<input type="hidden" name="key" value="{{ $key }}"><label>Amount <input type="text" inputmode="decimal" name="amount" value="{{ Money::ofMinor($item->amount - $position->matched, $item->currency)->decimal() }}" class="w-28 text-right"></label><label>By <select name="way">@foreach (App\Actions\Receipts\Way::cases() as $way)<option @selected($way->value === 'transfer')>{{ $way->value }}</option>@endforeach</select></label><label>Dated <x-day name="date" :value="$today"/></label><label>Reason <input type="text" name="reason" required class="w-44"></label><button class="button py-0.5!">Refund</button></form></details>
        @endif
        @if ($writes && ! $reversal)<p class="mt-3"><a href="{{ route('document.reverse', $item->root_id) }}" data-hotkey="x">{{ $isReceipt ? 'It came back, is another customer’s, or was a mistake' : 'Take it back' }} <kbd>X</kbd></a></p>@endif
        <h2>Matches</h2>
        <x-matches :matches="$matches" :base="$base" :item="$item->root_id" :line-key="$writes ? $key : null" :date="$today"/>
        @if ($lines->isNotEmpty())
            <h2>Lines</h2>
            <table class="grid-table"><thead><tr><th scope="col">Line</th><th scope="col">Description</th><th scope="col" class="n">Quantity</th><th scope="col" class="n">Price</th><th scope="col" class="n">Net</th><th scope="col" class="n">Tax rate</th></tr></thead>
                <tbody>@foreach ($lines as $line)<tr><td>{{ $line->line }}</td><td>{{ $line->description }}</td><td class="n">{{ $line->quantity }}</td><td class="n">{{ $line->unit_price }}</td><td class="n">{{ $amount($line->net) }}</td><td class="n">{{ $line->tax_rate }} %</td></tr>@endforeach</tbody>
                <tfoot><tr><td colspan="4">Net, and what is tax</td><td class="n">{{ $amount($net) }}</td><td class="n">{{ $amount($tax) }}</td></tr></tfoot></table>
        @endif
    </div>
    <aside class="pane worktop" aria-label="In the ledger">
        <h2>In the ledger</h2>
        <table class="grid-table"><tbody>
        @forelse ($postings as $posting)<tr><td><a href="{{ route('posting', $posting->id) }}">{{ $posting->entry }}</a> <span class="slate">{{ $posting->description }}</span></td><td class="nowrap">{{ Say::day($posting->date) }}</td><td class="n">{{ Say::balance($money($posting->base)) }}</td></tr>
        @empty<tr><td>No posting on {{ $account->number }} bears this document, entry or batch.</td></tr>@endforelse
        </tbody></table>
        @if ($differences->isNotEmpty())
            <h2>Exchange differences</h2>
            <table class="grid-table"><tbody>@foreach ($differences as $difference)<tr><td><a href="{{ route('document', $difference->root_id) }}">{{ $difference->document }}</a></td><td>{{ Say::day($difference->date) }}</td><td class="n">{{ Say::balance($money(($difference->side === 'debit' ? 1 : -1) * $difference->base)) }}</td></tr>@endforeach</tbody></table>
        @endif
        @if ($related->isNotEmpty())
            <h2>Related documents</h2>
            <table class="grid-table"><tbody>@foreach ($related as $other)<tr><td><a href="{{ route('document', $other->root_id) }}">{{ ucfirst(Kind::from($other->kind)->words()) }} {{ $other->document }}</a></td><td>{{ Say::day($other->date) }}</td><td class="n">{{ Money::ofMinor($other->amount, $other->currency)->grouped() }}</td></tr>@endforeach</tbody></table>
        @endif
        <h2>Notes</h2>
        <x-notes :subject="'item '.$item->root_id"/>
        <h2>History</h2>
        <table class="grid-table table-auto"><tbody>@foreach ($history as $entry)<tr><td class="nowrap slate align-top">{{ Say::moment($entry->at) }}</td><td>@if ($entry->opens)<a href="{{ route(...$entry->opens) }}">{{ $entry->words }}</a>@else{{ $entry->words }}@endif <span class="slate">{{ $entry->who }}</span></td></tr>@endforeach</tbody></table>
        <x-source-row :source="$source"/>
    </aside>
</x-layout>
