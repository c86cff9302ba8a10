@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-layout title="Voucher {{ $voucher->number }}">
    <div class="pane">
        <p><a href="{{ route('journals') }}">Journals</a></p>
        <h1>Voucher {{ $voucher->number }}</h1>
        <p class="lead">{{ $voucher->text }}, {{ Say::day($voucher->date) }}. Posted {{ Say::moment($voucher->recorded_at) }} by {{ $voucher->who }}. <span
                class="tag">{{ $state }}</span></p>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Account</th>
                    <th scope="col">Text</th>
                    <th scope="col">Document</th>
                    <th scope="col">Customer</th>
                    <th scope="col" class="n">Debit</th>
                    <th scope="col" class="n">Credit</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($voucher->postings as $line)
                    <tr>
                        <td class="nowrap"><a href="{{ route('posting', $line->id) }}">{{ $accounts->withId($line->account_id)->title() }}</a></td>
                        <td>{{ $line->description }}</td>
                        <td>{{ $line->document }}</td>
                        <td>{{ $line->customer }}</td>
                        <td class="n">{{ $line->base > 0 ? Money::ofMinor($line->base, $base)->grouped() : '' }}</td>
                        <td class="n">{{ $line->base < 0 ? Money::ofMinor(-$line->base, $base)->grouped() : '' }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <p class="mt-4">
            @if ($reverses)
                Reverses <a href="{{ route('voucher', $reverses->id) }}">{{ $reverses->number }}</a>.
            @endif
            @if ($reversedBy)
                Reversed by <a href="{{ route('voucher', $reversedBy->id) }}">{{ $reversedBy->number }}</a>.
            @endif
            @if ($voucher->settlement_id)
                Caused by <a href="{{ route('match', $voucher->settlement_id) }}">match {{ $voucher->settlement_id }}</a>.
            @endif
            @if ($voucher->run_id)
                Part of <a href="{{ route('credit-balances') }}">run {{ $voucher->run_id }}</a>.
            @endif
        </p>
        @if ($reversible && Auth::user()->role->mayWrite())
            <form method="post" action="{{ route('voucher.reverse', $voucher->id) }}" class="flex gap-4 items-end mt-4">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <label class="grid">Reason <input type="text" name="reason" required class="w-80"></label>
                <button class="button">Reverse {{ $voucher->number }}</button>
            </form>
        @endif
    </div>
</x-layout>
