@php use Ajuste\Core\Money\Money; use App\Http\Say; $writes = Auth::user()->role->mayWrite(); $certain = array_filter($lines, fn ($line) => $line->certain); $sum = array_sum(array_map(fn ($line) => $line->credit->open->currency->code === $base->code ? $line->credit->open->minor : 0, $certain)); @endphp
<x-layout title="Proposed matches" station="unapplied" class="halves">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4"><h1>Proposed matches</h1><a class="ml-auto" href="{{ route('unapplied') }}">Unapplied</a></div>
        <p class="lead">First those that are certain: credits that quote what they settle, or whose amount one item alone has. Then what else would use a credit up whole, for you to take along. Discounts and remainders are left to the worktop.</p>
        <x-filter/>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead><tr><th scope="col"><button type="button">Customer</button></th><th scope="col"><button type="button">Credit</button></th><th scope="col"><button type="button">Dated</button></th><th scope="col" class="n"><button type="button">Amount</button></th><th scope="col"><button type="button">How</button></th><th scope="col"><button type="button">Settles</button></th><th scope="col">Choose</th></tr></thead>
            <tbody>
            @fragment('rows')
            @forelse (array_slice($lines, $from, 500) as $line)
                <tr data-minor="{{ $line->credit->open->minor }}"><td><a href="{{ route('unapplied', ['customer' => $line->customerId]) }}">{{ $line->name }}</a></td><td><a href="{{ route('document', $line->credit->id) }}">{{ $line->credit->title() }}</a></td><td class="nowrap" data-sort="{{ $line->credit->date }}">{{ Say::shortDay($line->credit->date) }}</td><td class="n" data-sort="{{ $line->credit->open->minor }}">{{ $line->credit->open->grouped() }}@if ($line->credit->open->currency->code !== $base->code) <span class="slate">{{ $line->credit->open->currency->code }}</span>@endif</td><td>{{ $line->how->words() }}{{ $line->certain ? '' : ', for you to choose' }}</td><td>@foreach ($line->settles as $item)<a href="{{ route('document', $item->id) }}">{{ $item->document }}</a> @endforeach @if ($line->leavesAPart())<span class="slate">in part</span>@endif</td><td class="nowrap" data-skip="1">@if ($writes)@if ($line->certain)<label class="inline-flex gap-1 items-center"><input type="checkbox" form="run" name="leave[{{ $line->credit->id }}]" value="1">leave out</label>@else<label class="inline-flex gap-1 items-center"><input type="checkbox" form="run" name="take[{{ $line->credit->id }}]" value="1">take along</label>@endif @endif</td></tr>
            @empty<tr><td colspan="7">Nothing open would use up a loose credit whole. What is left needs a person.</td></tr>
            @endforelse
            <x-more-rows :from="$from + 500" :total="count($lines)"/>
            @endfragment
            </tbody>
        </table>
        <x-table-foot name="proposed-matches"/>
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Post the run">
        @if ($lines !== [] && $writes)
            <form method="post" action="{{ route('unapplied.run.post') }}" id="run">@csrf<input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="seen" value="{{ $digest }}">
                <h2 class="title">Post as one run</h2><p class="lead">Each is a match of its own that opens and can be reversed; together they are reversed as one. Balances and proof line stay, but for exchange that a match realises on both sides alike.</p>
                <button class="button main" data-main>{{ $certain === [] ? 'Match what you take along' : 'Match '.Say::count(count($certain), 'certain credit').', '.Money::ofMinor($sum, $base)->grouped() }} <kbd>Ctrl ↵</kbd></button>@if ($certain !== [])<p class="slate mt-2">Less what you leave out, and with what you take along.</p>@endif</form>
        @endif
        <h2>Runs</h2>
        <table class="grid-table"><tbody>@forelse ($runs as $run)<tr><td><a href="{{ route('unapplied.posted-run', $run->id) }}">Run {{ $run->id }}, {{ Say::count((int) ($counts[$run->id] ?? 0), 'credit') }} matched as of {{ Say::shortDay($run->as_of) }}</a><br><span class="slate">{{ $run->who }}, {{ Say::moment($run->recorded_at) }}</span></td><td>@isset($reversed[$run->id])<span class="tag ochre">reversed: {{ $reversed[$run->id] }}</span>@endisset</td></tr>@empty<tr><td>No run yet.</td></tr>@endforelse</tbody></table>
    </aside>
</x-layout>
