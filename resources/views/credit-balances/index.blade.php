@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Credit balances" station="credit-balances" class="halves">
    <div class="pane" x-data="grid">
        <h1>Credit balances as of {{ Say::day($plan->asOf) }}</h1>
        <p class="lead">{{ Say::count(count($plan->lines), 'credit') }} of {{ $plan->control->title() }} would be shown as a liability,
            {{ $plan->policy->words() }}.</p>
        @if ($standing && !$current)
            <div class="note">Run {{ $standing->id }} of this day is out of date: the balances that it looked at have changed. Posting reverses and replaces
                it.</div>
        @endif
        @if ($current)
            <div class="note good">Run {{ $standing->id }} presents exactly these credits.</div>
        @endif
        <x-filter />
        @include('credit-balances.lines')
        <x-table-foot name="credit-balances" />
        @if ($plan->left !== [])
            <h2>Left</h2>
            <table class="grid-table">
                <tbody>
                    @foreach ($plan->left as $line)
                        <tr>
                            <td>{{ $line->name }} {{ $line->document }}</td>
                            <td class="n">{{ $line->base->grouped() }}</td>
                            <td class="soft">{{ $line->why }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        @if ($runs !== [])
            <h2>Runs</h2>
            <table class="grid-table">
                <thead>
                    <tr>
                        <th scope="col">Run</th>
                        <th scope="col">As of</th>
                        <th scope="col" class="n">Total</th>
                        <th scope="col">Posted</th>
                        <th scope="col">State</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($runs as $run)
                        <tr>
                            <td>{{ $run->id }}</td>
                            <td class="nowrap">{{ Say::day($run->as_of) }}</td>
                            <td class="n">{{ Money::ofMinor($run->total, $base)->grouped() }}</td>
                            <td class="soft">{{ $run->who }}, {{ Say::moment($run->recorded_at) }}</td>
                            <td>
                                @if (isset($reversals[$run->id]))
                                    reversed: {{ $reversals[$run->id]->reason }}
                                @elseif (Auth::user()->role->mayWrite())
                                    <form method="post" action="{{ route('credit-balances.reverse', $run->id) }}" class="flex gap-2">@csrf
                                        <input type="hidden" name="key" value="{{ $key }}-{{ $run->id }}">
                                        <label class="visually-hidden" for="why-{{ $run->id }}">Reason</label>
                                        <input id="why-{{ $run->id }}" type="text" name="reason" placeholder="reason" class="w-32" required>
                                        <button class="button py-0!">Reverse</button>
                                    </form>
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </div>
    <aside class="pane worktop" aria-label="What posting would write">
        <h2 class="title">Before and after</h2>
        <p class="lead">The control account is not touched, so the proof stays as it is.</p>
        <x-svg.presentation :plan="$plan" />
        @if ($plan->voucher)
            <h2>Voucher of {{ Say::day($plan->voucher->date) }}</h2>
            <x-voucher :text="$plan->voucher->text" :lines="$plan->voucher->lines" />
            <h2>And its mirror on {{ Say::day($plan->mirror->date) }}</h2>
            <x-voucher :text="$plan->mirror->text" :lines="$plan->mirror->lines" />
        @endif
        @if (Auth::user()->role->mayWrite())
            <form method="post" action="{{ route('credit-balances.post') }}" class="foot">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <span class="slate">Receivables rise to {{ $plan->receivablesAfter()->grouped() }}; customers in credit show
                    {{ $plan->total()->grouped() }}.</span>
                <button class="button main ml-auto" data-main
                    @disabled($current || ($plan->voucher === null && $standing === null))>{{ $standing && !$current ? 'Replace with' : 'Post' }}
                    {{ $plan->total()->grouped() }} <kbd>Ctrl ↵</kbd></button>
            </form>
        @endif
    </aside>
</x-layout>
