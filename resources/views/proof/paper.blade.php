@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
@endphp
<x-paper title="Proof of {{ $account->title() }}">
    <x-letterhead />
    <h1>Proof of {{ $account->title() }} as of {{ Say::day($proof->asOf) }}</h1>
    <div class="soft">{{ number_format($proof->totals->postings) }} postings against {{ number_format($proof->totals->items) }} items. Amounts in {{ $base->code }}.
    </div>
    <table>
        <tbody>
            <tr>
                <td colspan="2">Ledger as imported</td>
                <td class="n">{{ Say::balance($money($proof->ledgerAsImported)) }}</td>
            </tr>
            <tr>
                <td colspan="2">Own vouchers not yet taken over</td>
                <td class="n">{{ Say::balance($money($proof->ownVouchers)) }}</td>
            </tr>
            <tr>
                <td colspan="2"><b>Control account</b></td>
                <td class="n"><b>{{ Say::balance($money($proof->control)) }}</b></td>
            </tr>
            @foreach ($proof->byCause() as $name => $lines)
                <tr>
                    <td colspan="2"><b>{{ $lines[0]->cause->words() }}</b></td>
                    <td class="n"><b>{{ $money($proof->amounts()[$name])->grouped() }}</b></td>
                </tr>
                @foreach (array_slice($lines, 0, 300) as $line)
                    @php $kept = $carried[$line->key()] ?? null; @endphp
                    <tr>
                        <td class="soft">{{ trim($line->document() . ' ' . $line->customer()) }}</td>
                        <td>{{ $line->note }}@if ($kept?->explains($line, $proof->asOf))
                                <span class="soft">Carried by {{ $kept->who }}, {{ Say::moment($kept->recordedAt) }}: {{ $kept->reason }}</span>
                                @endif @foreach ($notes[$line->key()] ?? [] as $note)
                                    <br><span class="soft">Note, {{ $note->who }}: {{ $note->text }}</span>
                                @endforeach
                        </td>
                        <td class="n">{{ $money($line->amount)->grouped() }}</td>
                    </tr>
                @endforeach
                @if (count($lines) > 300)
                    <tr>
                        <td></td>
                        <td>{{ count($lines) - 300 }} more; the export has all.</td>
                        <td></td>
                    </tr>
                @endif
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td colspan="2">Customers</td>
                <td class="n">{{ Say::balance($money($proof->customers)) }}</td>
            </tr>
        </tfoot>
    </table>
    <p>Difference {{ Say::balance($money($proof->difference)) }}. Still to explain: {{ $money($proof->unexplained($carried))->grouped() }}.</p>
    <table>
        <tbody>
            <tr>
                <td>Prepared</td>
                <td></td>
                <td class="n">Date</td>
                <td></td>
            </tr>
            <tr>
                <td>Reviewed</td>
                <td></td>
                <td class="n">Date</td>
                <td></td>
            </tr>
        </tbody>
    </table>
</x-paper>
