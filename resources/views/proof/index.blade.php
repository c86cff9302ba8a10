@php
    use Ajuste\Core\Money\Money; use App\Http\Say;
    $money = fn (int $minor) => Money::ofMinor($minor, $base);
    $difference = $money($proof->difference);
@endphp
<x-layout title="Proof" station="proof" class="halves">
    <div class="pane">
        <div class="flex flex-wrap items-baseline gap-x-6">
            <h1>Proof of {{ app(App\Http\ViewPoint::class)->account->title() }}</h1>
            <span class="slate ml-auto">{{ number_format($proof->postingCount) }} postings, {{ number_format($proof->itemCount) }} items</span> <a href="{{ route('trial-balance') }}">Trial balance</a>
        </div>
        <p class="lead">
            @if ($proof->difference === 0) The customers come to the same as the control account.
            @else The customers come to <b class="text-ink">{{ $difference->abs()->grouped() }} {{ $proof->difference > 0 ? 'less' : 'more' }}</b> than the control account. @endif
            {{ Say::count(count($proof->lines), 'cause') }}, {{ $unexplained->grouped() }} in absolute amounts still to explain.
        </p>
        @if ($proof->lines !== [])<x-svg.bridge :bridge="$bridge"/>@endif
        <div x-data="grid">
            <div class="flex items-center gap-4 mt-2 flex-wrap">
                <x-filter/>
                @if ($day !== '' || $cause !== '')<a class="tag ochre" href="{{ route('proof') }}">only {{ $day !== '' ? Say::day($day) : Ajuste\Core\Proof\Cause::from($cause)->words() }}: show all</a>@endif
                <span class="ml-auto flex gap-2"><a class="tag" href="{{ route('find', ['amount' => $difference->abs()->decimal()]) }}" data-hotkey="g">Find an amount <kbd>G</kbd></a>@if ($fixes > 0)<a class="tag" href="{{ route('proof.source') }}">For the source {{ $fixes }}</a>@endif<a class="tag" hx-boost="false" href="{{ route('proof.paper') }}">PDF</a><a class="tag" hx-boost="false" href="{{ route('proof.export', 'csv') }}">CSV</a><a class="tag" hx-boost="false" href="{{ route('proof.export', 'xlsx') }}">XLSX</a></span>
            </div>
            <table class="grid-table" data-list data-decimals="{{ $base->decimals }}">
                <thead><tr><th scope="col"><button type="button">Cause</button></th><th scope="col"><button type="button">What was found</button></th><th scope="col"><button type="button">Since</button></th><th scope="col" class="n"><button type="button">Amount</button></th><th scope="col">Remedy</th></tr></thead>
                <tbody>
                @fragment('rows')
                @forelse (array_slice($shown, $offset, 500) as $line)
                    <tr data-minor="{{ $line->amount }}" data-part="cause-{{ $line->cause->value }}" @class(['current' => $chosen && $chosen->key() === $line->key()])>
                        <td class="nowrap"><a href="{{ route('proof', array_filter(['line' => $line->key(), 'day' => $day, 'cause' => $cause])) }}" hx-get="{{ route('proof', array_filter(['line' => $line->key(), 'day' => $day, 'cause' => $cause])) }}" hx-target="#worktop" hx-swap="outerHTML" hx-push-url="true">{{ $line->cause->words() }}</a></td>
                        <td class="clip" title="{{ $line->note }}">{{ trim($line->document().' '.($customers[$line->customer()] ?? '')) }} {{ $line->note }}</td>
                        <td class="nowrap" data-sort="{{ $line->date() }}">{{ Say::shortDay($line->date()) }}</td>
                        <td class="n font-semibold" data-sort="{{ $line->amount }}">{{ $money($line->amount)->grouped() }}</td>
                        <td>@php $isCarried = ($carried[$line->key()] ?? null)?->explains($line, $proof->asOf) ?? false; $from = $isCarried ? null : (($carried[$line->key()] ?? null)?->isOf($line) ? $carried[$line->key()]->through : null); @endphp<span @class(['tag', 'green' => $isCarried, 'ochre' => ! $isCarried])>{{ $isCarried ? 'carried' : (isset($asked[$line->key()]) ? 'asked at the source' : ($from ? 'from '.Say::shortDay($from) : 'choose')) }}</span></td>
                    </tr>
                @empty
                    <tr><td colspan="5">{{ $proof->lines === [] ? 'Every posting has its item, and every item its posting.' : 'No cause touches this day.' }}</td></tr>
                @endforelse
                <x-more-rows :from="$offset + 500" :total="count($shown)"/>
                @endfragment
                </tbody>
            </table>
            <x-table-foot name="proof"/>
        </div>
        <h2>Statement</h2>
        <table class="grid-table">
            <tbody>
            <tr><td>Ledger as imported</td><td class="n">{{ Say::balance($money($proof->ledgerAsImported)) }}</td></tr>
            <tr><td><a href="{{ route('journals') }}">Own vouchers not yet taken over</a></td><td class="n">{{ Say::balance($money($proof->ownVouchers)) }}</td></tr>
            <tr><th scope="row" class="text-left font-semibold">Control account</th><td class="n font-semibold">{{ Say::balance($money($proof->control)) }}</td></tr>
            @foreach ($proof->byCause() as $name => $lines)
                <tr data-part="cause-{{ $name }}"><td><a href="{{ route('proof', ['cause' => $name]) }}">{{ $lines[0]->cause->words() }}</a>, {{ Say::count(count($lines), 'line') }}</td><td class="n">{{ $money($proof->amounts()[$name])->grouped() }}</td></tr>
            @endforeach
            </tbody>
            <tfoot><tr><td>Customers</td><td class="n">{{ Say::balance($money($proof->customers)) }}</td></tr></tfoot>
        </table>
        <h2>How they were paired</h2>
        <p class="soft"><a href="{{ route('proof.unseen') }}">What a proof cannot see</a>: the same document twice on both sides, missing numbers, receipts that quote another customer.</p>
        <table class="grid-table"><tbody>@foreach ($tests as $test => $count)<tr><td><a href="{{ route('proof.pairs', ['by' => $test]) }}">By {{ $testWords[$test] }}</a></td><td class="n">{{ number_format($count) }}</td></tr>@endforeach</tbody></table>
        @if ($byHand->isNotEmpty())
            <h2>What persons said</h2>
            <table class="grid-table"><tbody>@foreach ($byHand as $pair)<tr><td>{{ $pair->together ? 'Together' : 'Apart' }}: {{ $pair->reason }}</td><td class="slate nowrap">{{ $pair->who }}, {{ Say::moment($pair->recorded_at) }}</td><td>@if (Auth::user()->role->mayWrite())<form method="post" action="{{ route('proof.withdraw-pair', $pair->id) }}">@csrf<input type="hidden" name="key" value="{{ $key }}-{{ $pair->id }}"><button class="slate underline cursor-pointer">withdraw</button></form>@endif</td></tr>@endforeach</tbody></table>
        @endif
    </div>
    @fragment('worktop')
    <aside class="pane worktop" id="worktop" aria-label="The chosen cause" aria-live="polite">
        @if ($chosen)
            <h2 class="title">{{ $chosen->cause->words() }}</h2>
            <p class="lead">{{ $chosen->note }}</p>
            <div class="pairbox">
                <div>
                    <div class="soft">In the ledger</div>
                    <div class="figure">{{ $postings->isEmpty() ? 'nothing' : Say::balance($money($chosen->posted())) }}</div>
                    @foreach ($postings->take(5) as $posting)<div class="mt-1"><a href="{{ route('posting', $posting->id) }}">Entry {{ $posting->entry }}</a>, {{ Say::day($posting->date) }}<br><span class="slate">{{ trim($posting->document.' '.$posting->description) }}@if ($postings->count() > 1), {{ Say::balance($money($posting->base)) }}@endif</span></div>@endforeach
                </div>
                <div>
                    <div class="soft">With the customer</div>
                    <div class="figure">{{ $items->isEmpty() ? 'nothing' : Say::balance($money($chosen->documented())) }}</div>
                    @foreach ($items->take(5) as $item)<div class="mt-1"><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(str_replace('_', ' ', $item->kind)) }} {{ $item->document }}</a>, {{ Say::day($item->date) }}@if ($items->count() > 1)<br><span class="slate">{{ Say::balance($money(($item->side === 'debit' ? 1 : -1) * $item->base)) }}</span>@endif</div>@endforeach
                    @if (count($chosen->items) > 5)<details class="mt-1"><summary class="cursor-pointer text-green">{{ count($chosen->items) - 5 }} more</summary>@foreach ($items->skip(5) as $item)<div><a href="{{ route('document', $item->root_id) }}">{{ $item->document }}</a> {{ Say::balance($money(($item->side === 'debit' ? 1 : -1) * $item->base)) }}</div>@endforeach</details>@endif
                    @if ($chosen->customer() !== '')<div class="mt-1">{{ $customers[$chosen->customer()] ?? $chosen->customer() }}</div>@endif
                </div>
            </div>
            <dl class="facts mt-4">
                <dt>Counts in the ledger</dt><dd>{{ Say::balance($money($chosen->ledger)) }}</dd>
                <dt>Counts with the customer</dt><dd>{{ Say::balance($money($chosen->subledger)) }}</dd>
                <dt>Likely mended by</dt><dd>{{ $chosen->cause->mendedBy() }}</dd>
                <dt>Leads towards the customers by</dt><dd><b>{{ $money($chosen->amount)->grouped() }}</b></dd>
            </dl>
            @php $kept = $carried[$chosen->key()] ?? null; @endphp
            @if ($kept?->explains($chosen, $proof->asOf))
                <div class="note good">Carried by {{ $kept->who }}, {{ Say::moment($kept->recordedAt) }}: {{ $kept->reason }}</div>
            @elseif ($kept?->isOf($chosen))
                <div class="note">Brought over from the period to {{ Say::day($kept->through) }}, where {{ $kept->who }} carried it: {{ $kept->reason }}. It asks for a remedy again.</div>
            @endif
            @if (Auth::user()->role->mayWrite())
                <h2>Remedy</h2>
                @if ($kept?->explains($chosen, $proof->asOf))
                    <form method="post" action="{{ route('proof.withdraw', $kept->id) }}">@csrf<input type="hidden" name="key" value="{{ $key }}"><button class="button">Open it again</button></form>
                @else
                    @if ($mendable)
                        <form method="post" action="{{ route('proof.correct') }}" class="flex flex-wrap gap-3 items-end">@csrf
                            <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="line" value="{{ $chosen->key() }}">
                            <span class="basis-full">Correct the ledger: {{ $money($chosen->amount)->abs()->grouped() }} {{ $chosen->amount > 0 ? 'to the debit' : 'to the credit' }} of {{ app(App\Http\ViewPoint::class)->account->number }}, against</span>
                            <label class="grid">Account <select name="counter">@foreach ($accounts as $account)<option value="{{ $account->number }}" @selected($account->id === $counter?->id)>{{ $account->title() }}</option>@endforeach</select></label>
                            <label class="grid">Dated <x-day name="date" :value="$correctionDate"/></label>
                            <button class="button main" data-main>Post {{ $money($chosen->amount)->abs()->grouped() }} <kbd>Ctrl ↵</kbd></button>
                            <span class="slate basis-full">The control account comes to {{ Say::balance($after[0]) }}, the difference to {{ Say::balance($after[1]) }}.</span>
                        </form>
                    @endif
                    @if ($ownSide)
                        <details class="mt-3" data-hotkey="c"><summary class="cursor-pointer soft">An entry on the customer's side <kbd>C</kbd></summary>
                            <form method="post" action="{{ route('proof.adjust') }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="line" value="{{ $chosen->key() }}">
                                <span class="basis-full">{{ $ownSide->abs()->grouped() }} {{ $ownSide->minor > 0 ? 'to the debit' : 'to the credit' }} of the customer; the control account is as it was, the difference comes to {{ Say::balance($after[1]) }}.</span>
                                <label class="grid">Customer <input type="text" name="who" value="{{ $chosen->customer() }}" required class="w-40"></label><label class="grid">Dated <x-day name="date" :value="$correctionDate"/></label><button class="button">Post {{ $ownSide->abs()->grouped() }}</button></form></details>
                    @endif
                    @if ($partners !== [])
                        <details class="mt-3" data-hotkey="b"><summary class="cursor-pointer soft">It belongs to another line <kbd>B</kbd></summary>
                            <form method="post" action="{{ route('proof.pair') }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="line" value="{{ $chosen->key() }}">
                                <label class="grid">Belongs to <select name="with" class="max-w-96">@foreach ($partners as $partner)<option value="{{ $partner->key() }}">{{ $money($partner->amount)->grouped() }}, {{ Say::shortDay($partner->date()) }}, {{ $partner->document() ?: $partner->entry() }} {{ $customers[$partner->customer()] ?? '' }}</option>@endforeach</select></label><label class="grid">Reason <input type="text" name="reason" required class="w-44"></label><button class="button">Pair</button></form></details>
                    @elseif ($chosen->postings !== [] && $chosen->items !== [] && $chosen->cause !== Ajuste\Core\Proof\Cause::OpeningDifference)
                        <details class="mt-3" data-hotkey="b"><summary class="cursor-pointer soft">They do not belong together <kbd>B</kbd></summary>
                            <form method="post" action="{{ route('proof.pair') }}" class="flex flex-wrap gap-3 items-end mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="line" value="{{ $chosen->key() }}"><label class="grid">Reason <input type="text" name="reason" required class="w-60"></label><button class="button">Part them</button></form></details>
                    @endif
                    @unless (isset($asked[$chosen->key()]))
                        <details class="mt-3" data-hotkey="s"><summary class="cursor-pointer soft">Have it mended at the source <kbd>S</kbd></summary>
                            <form method="post" action="{{ route('proof.ask') }}" class="grid gap-2 mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="line" value="{{ $chosen->key() }}"><textarea name="request" rows="2" required class="h-auto! w-full" aria-label="What is to be mended">{{ $suggested }}</textarea><span><button class="button">Put on the list</button></span></form></details>
                    @else<div class="note">Asked at the source by {{ $asked[$chosen->key()]->who }}, {{ Say::moment($asked[$chosen->key()]->recordedAt) }}: {{ $asked[$chosen->key()]->request }}</div>@endunless
                    <form method="post" action="{{ route('proof.carry') }}" class="flex flex-wrap gap-3 items-end mt-3">@csrf
                        <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="line" value="{{ $chosen->key() }}">
                        <label class="grid grow">Carry it, because <input type="text" name="reason" required placeholder="posted in November, settles itself"></label><button class="button">Carry</button>
                    </form>
                @endif
            @endif
            <x-notes :subject="'cause '.app(App\Http\ViewPoint::class)->account->id.' '.$chosen->key()"/>
        @else
            <h2 class="title">Nothing to explain</h2>
            <p class="lead">As of this day the control account and the customers agree, line by line.</p>
        @endif
        <h2>Difference day by day</h2>
        <x-svg.days :picture="$picture" :chosen="$day"/>
        <p class="mt-1">@if ($since)Apart since <a href="{{ route('proof', ['day' => $since]) }}">{{ Say::day($since) }}</a>.@elseif ($proof->difference !== 0)Apart before the first day shown.@endif
            @if ($signed && ! $signed[1]->isZero()) The signed period to {{ Say::day($signed[0]) }} carries {{ Say::balance($signed[1]) }} of it already.@elseif ($signed) The signed period to {{ Say::day($signed[0]) }} was level. @endif
            <a href="{{ route('proof', ['span' => $year ? 'month' : 'year']) }}">{{ $year ? 'Only this month' : 'Twelve months back' }}</a></p>
        <p class="slate mt-1">A step is a day on which the two sides parted or met. Open one to see its causes.</p>
    </aside>
    @endfragment
</x-layout>
