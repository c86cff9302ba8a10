@php
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Proposed matches" station="unapplied" class="halves">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Proposed matches</h1><a class="ml-auto" href="{{ route('unapplied') }}">Unapplied</a>
        </div>
        <p class="lead">First those that are certain: credits that quote what they settle, or whose amount one item alone has. Then what else would use a
            credit up whole, for you to take along. Discounts and remainders are left to the worktop.</p>
        <x-filter />
        @include('unapplied.proposed')
        <x-table-foot name="proposed-matches" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="Post the run">
        @if ($lines !== [] && $writes)
            <form method="post" action="{{ route('unapplied.run.post') }}" id="run">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="seen" value="{{ $digest }}">
                <h2 class="title">Post as one run</h2>
                <p class="lead">Each is a match of its own that opens and can be reversed; together they are reversed as one. Balances and proof line stay,
                    but for exchange that a match realises on both sides alike.</p>
                <div hx-post="{{ route('unapplied.run.rehearse') }}" hx-trigger="change from:body delay:150ms" hx-target="#run-button"
                    hx-swap="outerHTML" hx-include="#run">@include('unapplied.run-button')</div>
                <p class="slate mt-2">Those that are certain, less what you leave out, and with what you take along.</p>
            </form>
        @endif
        <h2>Runs</h2>
        <table class="grid-table">
            <tbody>
                @forelse ($runs as $run)
                    <tr>
                        <td><a href="{{ route('unapplied.posted-run', $run->id) }}">Run {{ $run->id }},
                                {{ Say::count((int) ($counts[$run->id] ?? 0), 'credit') }} matched as of {{ Say::shortDay($run->as_of) }}</a><br><span
                                class="slate">{{ $run->who }}, {{ Say::moment($run->recorded_at) }}</span></td>
                        <td>
                            @isset($reversed[$run->id])
                                <span class="tag ochre">reversed: {{ $reversed[$run->id] }}</span>
                            @endisset
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td>No run yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
    </aside>
</x-layout>
