@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $difference = $money($proof->difference);
@endphp
<x-layout title="Proof" station="proof" class="halves">
    <div class="pane">
        <div class="flex flex-wrap items-baseline gap-x-6">
            <h1>Proof of {{ app(App\Http\ViewPoint::class)->account->title() }}</h1>
            <span class="slate ml-auto">{{ number_format($proof->totals->postings) }} postings, {{ number_format($proof->totals->items) }} items</span> <a
                href="{{ route('trial-balance') }}">Trial balance</a>
        </div>
        <p class="lead">
            @if ($proof->difference === 0)
                The customers come to the same as the control account.
            @else
                The customers come to <b class="text-ink">{{ $difference->abs()->grouped() }} {{ $proof->difference > 0 ? 'less' : 'more' }}</b> than the control
                account.
            @endif
            {{ Say::count(count($proof->lines), 'cause') }}, {{ $unexplained->grouped() }} in absolute amounts still to explain.
        </p>
        @if ($proof->lines !== [])
            <x-svg.bridge :bridge="$bridge" />
        @endif
        @include('proof.causes')
        @include('proof.statement')
    </div>
    @fragment('worktop')
        <aside class="pane worktop" id="worktop" aria-label="The chosen cause" aria-live="polite">
            @if ($chosen)
                <h2 class="title">{{ $chosen->cause->words() }}</h2>
                <p class="lead">{{ $chosen->note }}</p>
                @include('proof.pair')
                <dl class="facts mt-4">
                    <dt>Counts in the ledger</dt>
                    <dd>{{ Say::balance($money($chosen->ledger)) }}</dd>
                    <dt>Counts with the customer</dt>
                    <dd>{{ Say::balance($money($chosen->subledger)) }}</dd>
                    <dt>Likely mended by</dt>
                    <dd>{{ $chosen->cause->mendedBy() }}</dd>
                    <dt>Leads towards the customers by</dt>
                    <dd><b>{{ $money($chosen->amount)->grouped() }}</b></dd>
                </dl>
                @php $kept = $carried[$chosen->key()] ?? null; @endphp
                @if ($kept?->explains($chosen, $proof->asOf))
                    <div class="note good">Carried by {{ $kept->who }}, {{ Say::moment($kept->recordedAt) }}: {{ $kept->reason }}</div>
                @elseif ($kept?->isOf($chosen))
                    <div class="note">Brought over from the period to {{ Say::day($kept->through) }}, where {{ $kept->who }} carried it:
                        {{ $kept->reason }}. It asks for a remedy again.</div>
                @endif
                @if (Auth::user()->role->mayWrite())
                    @include('proof.remedies')
                @endif
                <x-notes :subject="'cause ' . app(App\Http\ViewPoint::class)->account->id . ' ' . $chosen->key()" />
                <x-questions :subject="'cause ' . app(App\Http\ViewPoint::class)->account->id . ' ' . $chosen->key()" />
            @else
                <h2 class="title">Nothing to explain</h2>
                <p class="lead">As of this day the control account and the customers agree, line by line.</p>
            @endif
            @include('proof.days')
        </aside>
    @endfragment
</x-layout>
