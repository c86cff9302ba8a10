@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Subledger\Side;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
@endphp
<x-layout title="Unapplied" station="unapplied" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Unapplied receipts and credits</h1><span class="ml-auto flex gap-4"><a href="{{ route('refunds') }}">Refunds</a><a
                    href="{{ route('deposits') }}">Deposits</a></span>
        </div>
        <p class="lead">{{ Say::count($totals->customers, 'customer') }}, {{ $money($totals->sums->credits)->grouped() }} unapplied;
            {{ $money($totals->sums->matchable)->grouped() }} can be matched at
            once.{{ $totals->sums->refunds > 0 ? ' Refunds of ' . $money($totals->sums->refunds)->grouped() . ' wait for their credit.' : '' }}{{ $totals->withReason > 0
                ? ' ' . Say::count($totals->withReason, 'customer') . ' left unapplied with a reason.' : '' }}
        </p>
        <div class="flex items-center gap-4"><x-filter />@include('unapplied.progress')</div>
        @include('unapplied.customers')
        <x-table-foot name="unapplied" sum-of="Unapplied" />
    </div>
    @fragment('worktop')
        <aside class="pane worktop" id="worktop" aria-label="Match of the chosen customer">
            @if ($chosen)
                <div class="flex items-baseline gap-4">
                    <h2 class="title">{{ $chosen->name }}</h2><span class="slate">{{ $chosen->customer }}</span><a class="ml-auto"
                        href="{{ route('customer', $chosen->id) }}">Customer's page</a>
                </div>
                @if (!Auth::user()->role->mayWrite())
                    <p class="lead">What is open. A reader can look at everything and post nothing.</p>
                @else
                    <p class="lead">Tick what belongs together. An amount left blank takes as much as both sides allow. <button type="button"
                            class="underline underline-offset-2 cursor-pointer text-green" data-tick-all>Tick all</button>
                    </p>
                @endif
                @include('unapplied.proposals')
                <div id="ribbons">
                    @if ($ribbons)
                        <x-svg.ribbons :ribbons="$ribbons" />
                    @endif
                </div>
                <form method="post" action="{{ route('unapplied.post', $chosen->id) }}" class="flex flex-col grow" id="settle">
                    @csrf
                    <input type="hidden" name="key" value="{{ $key }}">
                    <div
                        @if (!Auth::user()->role->mayWrite()) inert @else hx-post="{{ route('unapplied.rehearse', $chosen->id) }}"
                            hx-trigger="change, input changed delay:350ms" hx-target="#rehearsal" hx-swap="outerHTML" hx-include="closest form"
                            hx-disinherit="hx-target hx-swap hx-include hx-trigger" @endif>
                        @include('unapplied.items')
                        <div class="slate mt-1">
                            @if ($itemLines === null)
                                <a href="{{ route('unapplied', ['customer' => $chosen->id, 'with_lines' => 1]) }}">Single lines of invoices</a>
                            @endif
                        </div>
                        <x-held-back :entries="$filled->deductions" :reasons="$reasons" :items="$items" />
                        <p class="mt-3">
                            <label>Effective on <x-day name="date" :value="$filled->date ?? ''" /></label> <span class="slate">blank: the earliest day
                                possible</span>
                        </p>
                    </div>
                    @if (Auth::user()->role->mayWrite())
                        @include('unapplied.rehearsal')
                    @endif
                </form>
                @if ($reason)
                    <div class="note">Left unapplied by {{ $reason->who }} until {{ Say::day($reason->lookAgain) }}: {{ $reason->reason }}</div>
                @endif
                @if (Auth::user()->role->mayWrite())
                    <details class="mt-2" data-hotkey="l">
                        <summary class="cursor-pointer soft">Leave it unapplied on purpose <kbd>L</kbd></summary>
                        <form method="post" action="{{ route('unapplied.leave', $chosen->id) }}" class="flex flex-wrap gap-3 items-center mt-1">@csrf
                            <input type="hidden" name="key" value="{{ $key }}">
                            <label>Because <input type="text" name="reason" required class="w-60"></label>
                            <label>Look again on <x-day name="look_again" :value="$lookAgain" /></label>
                            <button class="button py-0.5!">Leave</button>
                        </form>
                    </details>
                @endif
            @else
                <h2 class="title">Nothing is unapplied</h2>
            @endif
        </aside>
    @endfragment
</x-layout>
