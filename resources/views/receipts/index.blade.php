@php
    use Ajuste\Core\Money\Money; use Ajuste\Core\Proposal\PayerRecognition; use Ajuste\Core\Subledger\Side; use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
    $settles = collect($proposal->settles ?? [])->keyBy(fn ($of) => $of->item->id);
@endphp
<x-layout title="Receipts" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <h1>Receipts</h1>
        <p class="lead">{{ Say::count(count($guesses), 'bank line') }} to place, {{ $sum->grouped() }} {{ $base->code }}; {{ number_format($placed) }} placed. The most certain first.</p>
        <div class="flex items-center gap-4 flex-wrap">
            <x-filter/>
            @if ($writes && $certain !== [])
                <form method="post" action="{{ route('receipts.accept') }}" class="ml-auto">@csrf<button class="button">Accept {{ Say::count(count($certain), 'sure one') }}, {{ $certainSum->grouped() }}</button></form>
            @endif
        </div>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead><tr><th scope="col"><button type="button">Value date</button></th><th scope="col"><button type="button">From the bank</button></th><th scope="col" class="n"><button type="button">Amount</button></th><th scope="col"><button type="button">Proposal</button></th></tr></thead>
            <tbody>
            @forelse ($guesses as $guess)
                <tr data-minor="{{ $guess->line->amount->minor }}" @class(['current' => $chosen?->line->id === $guess->line->id])>
                    <td class="nowrap" data-sort="{{ $guess->line->valueDate }}">{{ Say::shortDay($guess->line->valueDate) }}</td>
                    <td class="clip" title="{{ $guess->line->text() }}"><a href="{{ route('receipts', ['line' => $guess->line->id]) }}" hx-get="{{ route('receipts', ['line' => $guess->line->id]) }}" hx-target="#worktop" hx-swap="outerHTML" hx-push-url="true">{{ $guess->line->text() === '' ? $guess->line->reference : $guess->line->text() }}</a></td>
                    <td class="n font-semibold" data-sort="{{ $guess->line->amount->minor }}">{{ $guess->line->amount->grouped() }}@if ($guess->line->amount->currency->code !== $base->code) <span class="slate">{{ $guess->line->amount->currency->code }}</span>@endif</td>
                    <td class="nowrap"><span @class(['tag', 'green' => $guess->isCertain(), 'ochre' => ! $guess->sure])>{{ $guess->words() }}</span></td>
                </tr>
            @empty
                <tr><td colspan="4">Every bank line that came in has its place. Hand in the next statement on Intake.</td></tr>
            @endforelse
            </tbody>
        </table>
        <x-table-foot name="receipts"/>
    </div>
    @fragment('worktop')
    <aside class="pane worktop" id="worktop" aria-label="The chosen bank line">
        @if ($chosen)
            @php $line = $chosen->line; $guess = collect($chosen->payers)->firstWhere('customerId', $payer?->id); @endphp
            <div class="flex items-baseline gap-4"><h2 class="title">{{ $payer->name ?? 'Whose money is it?' }}</h2><b class="ml-auto text-lg whitespace-nowrap">{{ $line->amount->grouped() }} {{ $line->amount->currency->code }}</b></div>
            <p class="lead mb-2!">{{ $line->text() }}@if ($line->partyAccount !== ''), account {{ $line->partyAccount }}@endif. Booked {{ Say::day($line->bookingDate) }}@unless ($line->charges->isZero()), the bank kept back {{ $line->charges->grouped() }}@endunless.
                @if ($guess)<span class="tag {{ $guess->score >= PayerRecognition::SURE ? 'green' : 'ochre' }}">{{ $guess->why }}</span>@elseif ($payer)<span class="tag">chosen by you</span>@endif</p>
            <div class="flex flex-wrap gap-2 items-center mb-2">
                @foreach ($chosen->payers as $other)@if ($other->customerId !== $payer?->id && isset($names[$other->customerId]))<a class="tag" href="{{ route('receipts', ['line' => $line->id, 'customer' => $other->customerId]) }}">{{ $names[$other->customerId]->name }}, {{ $other->why }}</a>@endif @endforeach
                <form action="{{ route('receipts') }}" class="flex gap-2 items-center"><input type="hidden" name="line" value="{{ $line->id }}"><label for="payer" class="visually-hidden">Another payer</label><input id="payer" type="search" name="payer" value="{{ $asked }}" placeholder="another payer: number or name" class="w-56"><button class="visually-hidden">Find the payer</button></form>
            </div>
            @if ($asked !== '' && ! $payer)<div class="note bad" role="alert">No customer has the number or name “{{ $asked }}”. Type a part of the name, or the number as it stands in customers.csv.</div>@endif
            @if ($payer && $writes)
                @if ($proposal && $proposal->settles !== [])
                    <div class="note">{{ ucfirst($proposal->how->words()) }}{{ $proposal->only ? '' : ', not the only way' }}: {{ implode(', ', array_map(fn ($of) => $of->item->document, array_slice($proposal->settles, 0, 6))) }}{{ count($proposal->settles) > 6 ? ' …' : '' }}.
                        @if ($proposal->difference < 0) <b>{{ Money::ofMinor(-$proposal->difference, $line->amount->currency)->grouped() }}</b> was kept back and stays open. @endif
                        @if ($proposal->unapplied > 0) <b>{{ Money::ofMinor($proposal->unapplied, $line->amount->currency)->grouped() }}</b> would stay loose. @endif</div>
                @endif
                <form method="post" action="{{ route('receipts.post', $line->id) }}" class="flex flex-col grow">
                    @csrf
                    <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="customer" value="{{ $payer->id }}">
                    <div class="items" hx-post="{{ route('receipts.rehearse', $line->id) }}" hx-trigger="load, change, input changed delay:350ms" hx-target="#rehearsal" hx-swap="outerHTML" hx-include="closest form">
                        <table class="grid-table table-fixed">
                            <colgroup><col><col class="w-24"><col class="w-28"><col class="w-28"><col class="w-24"></colgroup>
                            <thead><tr><th scope="col">Item</th><th scope="col">Due</th><th scope="col" class="n">Open</th><th scope="col" class="n">Settle</th><th scope="col" class="n">Leaves</th></tr></thead>
                            <tbody>
                            @forelse ($items as $item)
                                @php $of = $settles[$item->id] ?? null; @endphp
                                <tr>
                                    <td class="nowrap"><label class="inline-flex gap-2 items-center text-ink!"><input type="checkbox" id="tick-{{ $item->id }}" name="tick[{{ $item->id }}]" value="1" @checked($of !== null)>{{ ucfirst($item->kind->words()) }} <a href="{{ route('document', $item->id) }}" tabindex="-1">{{ $item->document }}</a></label>
                                        @if (($discounts[$item->id] ?? 0) > 0)<label class="inline-flex gap-1 items-center ml-2"><input type="checkbox" name="discount[{{ $item->id }}]" value="1" @checked($of !== null && $of->discount > 0)>less {{ Money::ofMinor($discounts[$item->id], $item->open->currency)->grouped() }} discount</label>@endif</td>
                                    <td class="nowrap soft">{{ Say::shortDay($item->dueDate) }}</td>
                                    <td class="n">{{ $item->open->grouped() }}{{ $item->side === Side::Credit ? ' Cr' : '' }}</td>
                                    <td class="n"><input type="text" inputmode="decimal" name="amount[{{ $item->id }}]" value="{{ $of !== null && $of->amount !== $item->open->minor ? Money::ofMinor($of->amount, $item->open->currency)->decimal() : '' }}" data-ticks="tick-{{ $item->id }}" aria-label="Settle of {{ $item->document }}" class="w-24 text-right h-6!"></td>
                                    <td class="n"><span id="leaves-{{ $item->id }}">·</span></td>
                                </tr>
                            @empty
                                <tr><td colspan="5" class="soft">Nothing is open in {{ $line->amount->currency->code }}; the receipt stays loose on the customer.</td></tr>
                            @endforelse
                            </tbody>
                        </table>
                    </div>
                    @include('receipts.rehearsal')
                </form>
            @endif
            @if ($writes)
                <form method="post" action="{{ route('receipts.aside', $line->id) }}" class="flex gap-3 items-center mt-4">@csrf<input type="hidden" name="key" value="{{ $key }}">
                    <label>Not receivables, but <input type="text" name="reason" placeholder="interest, a rebate, a supplier" required class="w-52"></label><button class="button py-0.5!">Out of the way</button></form>
            @endif
        @else
            <h2 class="title">Nothing to place</h2>
        @endif
    </aside>
    @endfragment
</x-layout>
