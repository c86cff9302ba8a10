@use('Ajuste\Core\Money\Money')
@use('App\Http\Say')
@if ($isReceipt)
    <h2>The money</h2>
    <table class="grid-table">
        <tbody>
            @forelse ($moneyLines as $line)
                <tr>
                    <td>{{ $line->kind === 'confirmed'
                        ? 'Confirmed by the statement'
                        : ($line->kind === 'returned'
                            ? 'Came back with'
                            : ($line->way === 'statement'
                                ? 'Came with the statement'
                                : "Typed, {$line->way}")) }}
                        {{ $line->reference }}</td>
                    <td>{{ trim("{$line->party} {$line->remittance}") }}</td>
                    <td class="nowrap">{{ Say::day($line->booking_date) }}</td>
                    <td class="n">{{ Money::ofMinor($line->amount, $line->currency)->grouped() }}</td>
                </tr>
            @empty
                <tr>
                    <td>No line of a statement confirms it yet.</td>
                </tr>
            @endforelse
        </tbody>
    </table>
    <div class="mt-2 flex flex-wrap gap-3 items-center"><a class="button py-0.5!" href="{{ route('receipt.paper', $item->root_id) }}" hx-boost="false">Document,
            PDF</a>
        @if ($writes)
            <form method="post" action="{{ route('receipt.send', $item->root_id) }}">@csrf
                <input type="hidden" name="key" value="{{ $key }}">
                <button class="button py-0.5!">Send to the payer</button>
            </form>
        @endif
    </div>
@endif
