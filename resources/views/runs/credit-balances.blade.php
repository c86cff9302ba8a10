@use('App\Http\Say')
<x-layout title="Credit balances" station="credit-balances" class="halves">
    <div class="pane">
        <h1>Credit balances as of {{ Say::day($run->asOf()) }}</h1>
        <p class="lead">{{ Say::count(count($run->presented), 'credit') }} of {{ $run->control()->title() }} would be shown as a liability,
            {{ $run->policy() }}.</p>
        @if ($run->outOfDate)
            <div class="note">Run {{ $run->outOfDate }} of this day is out of date: the balances that it looked at have changed.</div>
        @elseif ($run->presentedBy)
            <div class="note good">Run {{ $run->presentedBy }} presents exactly these credits.</div>
        @endif
        @include('runs.lines', ['taken' => 'Presented as a liability', 'leftOut' => 'Left'])
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What posting would write">
        <h2 class="title">Before and after</h2>
        <p class="lead">The control account is not touched, so the proof stays as it is.
            @unless ($figures->difference->isZero())
                <b>It is open: {{ Say::balance($figures->difference) }} lies between control account and customers.</b>
            @endunless
        </p>
        <x-svg.presentation :plan="$run" :control="$figures->control" />
        @if ($run->voucher && !$run->presentedBy)
            <h2>Voucher of {{ Say::day($run->voucher->date) }}</h2>
            <x-voucher :text="$run->voucher->text" :lines="$run->voucher->lines" />
            <h2>And its mirror on {{ Say::day($run->mirror->date) }}</h2>
            <x-voucher :text="$run->mirror->text" :lines="$run->mirror->lines" />
        @endif
        @include('runs.posted')
        @include('runs.decide', ['verb' => 'Post', 'what' => Say::count($lines, 'credit')])
    </aside>
</x-layout>
