@php use Ajuste\Core\Money\Money; use Ajuste\Core\Subledger\Side; use App\Http\Say; $money = fn (int $minor) => Money::ofMinor($minor, $base); @endphp
<x-layout title="Unapplied" station="unapplied" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4"><h1>Unapplied receipts and credits</h1><span class="ml-auto flex gap-4"><a href="{{ route('refunds') }}">Refunds</a><a href="{{ route('deposits') }}">Deposits</a></span></div>
        <p class="lead">{{ Say::count($totals->customers, 'customer') }}, {{ $money($totals->loose)->grouped() }} loose; {{ $money($totals->matchable)->grouped() }} can be matched at once.{{ $totals->refunds > 0 ? ' Refunds of '.$money($totals->refunds)->grouped().' wait for their credit.' : '' }}{{ $totals->withReason > 0 ? ' '.Say::count($totals->withReason, 'customer').' left loose with a reason.' : '' }}</p>
        <div class="flex items-center gap-4"><x-filter/>@include('unapplied.progress')</div>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead><tr><th scope="col"><button type="button">Customer</button></th><th scope="col"><button type="button">What</button></th><th scope="col"><button type="button">Since</button></th><th scope="col" class="n"><button type="button">Loose</button></th><th scope="col" class="n"><button type="button">Can be matched</button></th></tr></thead>
            <tbody id="loose-rows" hx-get="{{ route('unapplied', $chosen ? ['customer' => $chosen->id] : []) }}" hx-trigger="proposals-known from:body">
            @fragment('rows')
            @forelse ($customers as $loose)
                <tr data-minor="{{ $loose->loose }}" @class(['current' => $chosen?->id === $loose->id])>
                    <td><a href="{{ route('unapplied', ['customer' => $loose->id]) }}" hx-get="{{ route('unapplied', ['customer' => $loose->id]) }}" hx-target="#worktop" hx-swap="outerHTML" hx-push-url="true">{{ $loose->name }}</a></td>
                    <td class="soft">{{ $loose->what }}</td>
                    <td class="nowrap soft" data-sort="{{ $loose->oldest }}">{{ Say::shortDay($loose->oldest) }}</td>
                    <td class="n" data-sort="{{ $loose->loose }}"><b class="font-semibold">{{ $loose->loose === 0 ? '' : $money($loose->loose)->grouped() }}</b>@if ($loose->refunds > 0) <span class="slate">{{ $money($loose->refunds)->grouped() }} Dr</span>@endif</td>
                    <td class="n" data-sort="{{ $loose->matchable }}">@if ($loose->reason)<span class="tag" title="{{ $loose->reason->reason }}">until {{ Say::shortDay($loose->reason->lookAgain) }}</span>@elseif ($loose->matchable === 0)<span class="slate">{{ $loose->debits > 0 ? 'in other money only' : 'nothing open' }}</span>@else{{ $money($loose->matchable)->grouped() }}@endif
                        @if (($proposed[$loose->id]->certain ?? 0) > 0)<span class="tag green ml-1" title="Quoted or of the same amount, the only such">{{ $proposed[$loose->id]->certain }} sure</span>@endif @if (($proposed[$loose->id]->others ?? 0) > 0)<span class="tag ml-1" title="Proposed, for you to look at">{{ $proposed[$loose->id]->others }} to look at</span>@endif</td>
                </tr>
            @empty
                <tr><td colspan="5">Nothing is loose as of this day.</td></tr>
            @endforelse
            <x-more-rows :from="$more" :total="$all"/>
            @endfragment
            </tbody>
        </table>
        <x-table-foot name="unapplied" sum-of="Loose"/>
    </div>
    @fragment('worktop')
    <aside class="pane worktop" id="worktop" aria-label="Match of the chosen customer">
        @if ($chosen)
            <div class="flex items-baseline gap-4"><h2 class="title">{{ $chosen->name }}</h2><span class="slate">{{ $chosen->customer }}</span><a class="ml-auto" href="{{ route('customer', $chosen->id) }}">Customer's page</a></div>
            @if (! Auth::user()->role->mayWrite())<p class="lead">What is open. A reader can look at everything and post nothing.</p>@else
            <p class="lead">Tick what belongs together. An amount left blank takes as much as both sides allow. <button type="button" class="underline underline-offset-2 cursor-pointer text-green" data-tick-all>Tick all</button></p>
            @endif
            @if ($proposals !== [] && Auth::user()->role->mayWrite())
                <div class="flex flex-wrap gap-2 mb-3" role="group" aria-label="Proposals">
                    @foreach ($proposals as [$credit, $proposal, $ticks, $sure])
                        <button type="button" @class(['tag', 'cursor-pointer', 'text-left', 'green' => $sure]) data-propose="{{ $ticks }}">
                            {{ $credit->document }}: {{ $proposal->how->words() }}{{ $proposal->only ? '' : ', not the only way' }} → {{ implode(', ', array_map(fn ($settles) => $settles->item->document, array_slice($proposal->settles, 0, 3))) }}{{ count($proposal->settles) > 3 ? ' …' : '' }}{{ $proposal->takesDiscount() && $proposal->how->value !== 'exact_net' ? ', less the discount' : '' }}{{ $proposal->difference < 0 ? ', '.Money::ofMinor(-$proposal->difference, $credit->open->currency)->grouped().' short' : '' }} @if ($loop->first)<kbd>P</kbd>@endif
                        </button>
                    @endforeach
                </div>
            @endif
            <div id="ribbons">@if ($ribbons)<x-svg.ribbons :ribbons="$ribbons"/>@endif</div>
            <form method="post" action="{{ route('unapplied.post', $chosen->id) }}" class="flex flex-col grow" id="settle">
                @csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <div @if (! Auth::user()->role->mayWrite()) inert @else hx-post="{{ route('unapplied.rehearse', $chosen->id) }}" hx-trigger="change, input changed delay:350ms" hx-target="#rehearsal" hx-swap="outerHTML" hx-include="closest form" @endif>
                <div class="items">
                @foreach ([Side::Credit, Side::Debit] as $side)
                    <table class="grid-table table-fixed">
                        <colgroup><col><col class="w-36"><col class="w-32"><col class="w-28"><col class="w-24"></colgroup>
                        <thead><tr><th scope="col">{{ $side === Side::Credit ? 'Credits' : 'Debits' }}</th><th scope="col">{{ $side === Side::Credit ? 'Dated' : 'Due' }}</th><th scope="col" class="n">Open</th><th scope="col" class="n">Settle</th><th scope="col" class="n">Leaves</th></tr></thead>
                        <tbody>
                        @forelse (array_filter($items, fn ($item) => $item->side === $side) as $item)
                            <tr data-minor="{{ $item->open->minor }}">
                                <td><label class="inline-flex gap-2 items-center text-ink!"><input type="checkbox" id="tick-{{ $item->id }}" name="tick[{{ $item->id }}]" value="1" @checked(isset($filled->typed[$item->id]))><span>{{ ucfirst($item->kind->words()) }} <a href="{{ route('document', $item->id) }}" tabindex="-1">{{ $item->document }}</a></span></label>
                                    <x-item-marks :item="$item" :discount="$discounts[$item->id] ?? 0" :taken="in_array($item->id, $filled->discounts, true)" :decision="$decisions[$item->id] ?? null" :contested="$contested[$item->id] ?? []"/>
                                    @if ($side === Side::Credit && $item->controlAccountId === $control->id && array_diff($currencies, [$item->open->currency->code]) !== [])<label class="inline-flex gap-1 items-center ml-2 slate">worth in {{ implode(' or ', array_diff($currencies, [$item->open->currency->code])) }} <input type="text" inputmode="decimal" name="worth[{{ $item->id }}]" value="{{ $filled->worth[$item->id] ?? '' }}" aria-label="What {{ $item->document }} is worth" class="w-24 text-right h-6!"></label>@endif</td>
                                <td class="soft">{{ Say::shortDay($side === Side::Credit ? $item->date : $item->dueDate) }}@if ($item->reference !== '')<span class="slate"> for {{ $item->reference }}</span>@endif</td>
                                <td class="n">{{ $item->open->grouped() }}@if ($item->open->currency->code !== $base->code) <span class="slate">{{ $item->open->currency->code }}</span>@endif</td>
                                <td class="n"><input type="text" inputmode="decimal" name="amount[{{ $item->id }}]" value="{{ $filled->typed[$item->id] ?? '' }}" data-ticks="tick-{{ $item->id }}" aria-label="Settle of {{ $item->document }}" class="w-24 text-right h-6!"></td>
                                <td class="n w-20"><span id="leaves-{{ $item->id }}">·</span></td>
                            </tr>
                            @if ($side === Side::Debit && $itemLines !== null)<x-item-lines :item="$item" :lines="$itemLines[$item->document] ?? []" :meant="$filled->lines[$item->id] ?? []"/>@endif
                        @empty
                            <tr><td colspan="5" class="soft">{{ $side === Side::Credit ? 'No credit is open as of this day.' : 'No debit is open as of this day; what is loose stays so, or is refunded.' }}</td></tr>
                        @endforelse
                        </tbody>
                    </table>
                @endforeach
                </div>
                <div class="slate mt-1">@if ($itemLines === null)<a href="{{ route('unapplied', ['customer' => $chosen->id, 'with_lines' => 1]) }}">Single lines of invoices</a>@endif</div>
                <x-held-back :entries="$filled->deductions" :reasons="$reasons" :items="$items"/>
                <p class="mt-3"><label>Effective on <x-day name="date" :value="$filled->date ?? ''"/></label> <span class="slate">blank: the earliest day possible</span></p>
                </div>
                @if (Auth::user()->role->mayWrite())@include('unapplied.rehearsal')@endif
            </form>
            @if ($reason)<div class="note">Left loose by {{ $reason->who }} until {{ Say::day($reason->lookAgain) }}: {{ $reason->reason }}</div>@endif
            @if (Auth::user()->role->mayWrite())
                <details class="mt-2" data-hotkey="l"><summary class="cursor-pointer soft">Leave it loose on purpose <kbd>L</kbd></summary>
                    <form method="post" action="{{ route('unapplied.leave', $chosen->id) }}" class="flex flex-wrap gap-3 items-center mt-1">@csrf<input type="hidden" name="key" value="{{ $key }}"><label>Because <input type="text" name="reason" required class="w-60"></label><label>Look again on <x-day name="look_again" :value="$lookAgain"/></label><button class="button py-0.5!">Leave</button></form></details>
            @endif
        @else
            <h2 class="title">Nothing is loose</h2>
        @endif
    </aside>
    @endfragment
</x-layout>
