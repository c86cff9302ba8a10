@php
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Direct debits" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Direct debits</h1><span class="ml-auto flex gap-4"><a href="{{ route('mandates') }}" data-hotkey="m">Mandates
                    <kbd>M</kbd></a><a href="{{ route('receipts') }}">Receipts</a></span>
        </div>
        <p class="lead">What is due by the day of the collection, of customers who signed a mandate. Contested parts stay out; a discount that holds on
            that day comes off.</p>
        <form method="get" action="{{ route('direct-debits') }}" class="flex gap-3 items-end mb-2">
            <label>Collected on <x-day name="day" :value="$form->day" data-hotkey="c" /></label>
            <button class="button py-0.5!">Show what is due</button><kbd>C</kbd>
        </form>
        <x-filter />
        @include('direct-debits.due')
        <x-table-foot name="direct-debits" sum-of="Collected" />
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The collection">
        <h2 class="title">Collect on {{ Say::day($form->day) }}</h2>
        @if ($writes)
            <form method="post" action="{{ route('collection.prepare') }}" id="collection">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <input type="hidden" name="day" value="{{ $form->day }}">
                <div hx-post="{{ route('collection.rehearse') }}" hx-trigger="change from:body delay:150ms" hx-target="#chosen" hx-swap="outerHTML"
                    hx-include="#collection">@include('direct-debits.chosen')</div>
            </form>
        @endif
        <h2>Collections</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Collection</th>
                    <th scope="col">Collected on</th>
                    <th scope="col" class="n">Sum</th>
                    <th scope="col">State</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($collections as $of)
                    <tr>
                        <td><a href="{{ route('collection', $of->id) }}">{{ $of->message() }}</a></td>
                        <td class="nowrap">{{ Say::shortDay($of->day) }}</td>
                        <td class="n">{{ $of->sum()->grouped() }}</td>
                        <td>
                            @if ($of->sentAt)
                                <span class="tag green">posted</span>
                            @else
                                <span class="tag ochre">prepared</span>
                            @endif
                        </td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="4">No collection yet.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
    </aside>
</x-layout>
