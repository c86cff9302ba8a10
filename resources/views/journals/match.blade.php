@php
    use App\Http\Say;
    $reversed = $matches->every(fn($match) => $match->reversed_on !== null);
@endphp
<x-layout title="Match {{ $settlement->id }}" station="unapplied">
    <div class="pane">
        <p><a href="{{ route('unapplied') }}">Unapplied</a></p>
        <h1>Match {{ $settlement->id }} of <a href="{{ route('customer', $customer->id) }}">{{ $customer->name }}</a></h1>
        <p class="lead">Effective {{ Say::day($settlement->date) }}, posted {{ Say::moment($settlement->recorded_at) }} by {{ $settlement->who }}. @if ($reversed)
                <span class="tag ochre">reversed</span>
            @endif
        </p>
        <x-matches :matches="$matches" :base="$base" :line-key="!$reversed && $vouchers->isEmpty() && $matches->count() > 1 && Auth::user()->role->mayWrite() ? $key : null"
            :date="$date" />
        @if ($vouchers->isNotEmpty())
            <p class="mt-3">Vouchers: @foreach ($vouchers as $voucher)
                    <a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a> {{ $voucher->text }}{{ $loop->last ? '' : ', ' }}
                @endforeach
            </p>
        @endif
        @if (!$reversed && Auth::user()->role->mayWrite())
            <h2>Reverse it</h2>
            @if ($dependents !== [])
                <p class="lead">What it made was used since, so this goes back with it:</p>
                <ul class="soft">
                    @foreach ($dependents as $of)
                        <li>
                            <a href="{{ route($of->route, $of->id) }}">{{ $of->words }}</a>{{ $of->amount ? ", {$of->amount->grouped()} {$of->amount->currency->code}" : '' }}
                        </li>
                    @endforeach
                </ul>
            @endif
            <form method="post" action="{{ route('match.reverse', $settlement->id) }}" class="flex flex-wrap gap-4 items-end mt-2">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">As of <x-day name="date" :value="old('date', $date)" required /></label>
                <label class="grid">Reason <input type="text" name="reason" value="{{ old('reason') }}" required class="w-80"></label>
                <button class="button">Reverse match {{ $settlement->id }}</button>
            </form>
            <p class="slate mt-2">Every open amount stands again as of that day, and the vouchers that the match caused are reversed.</p>
        @endif
    </div>
</x-layout>
