@use('Ajuste\Core\Subledger\Kind')
@use('Ajuste\Core\Money\Money')
@use('App\Http\Say')
<h2>In the ledger</h2>
<table class="grid-table">
    <tbody>
        @forelse ($postings as $posting)
            <tr>
                <td><a href="{{ route('posting', $posting->id) }}">{{ $posting->entry }}</a> <span class="slate">{{ $posting->description }}</span></td>
                <td class="nowrap">{{ Say::day($posting->date) }}</td>
                <td class="n">{{ Say::balance($money($posting->base)) }}</td>
            </tr>
        @empty
            <tr>
                <td>No posting on {{ $account->number }} bears this document, entry or batch.</td>
            </tr>
        @endforelse
    </tbody>
</table>
@if ($differences->isNotEmpty())
    <h2>Exchange differences</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($differences as $difference)
                <tr>
                    <td><a href="{{ route('document', $difference->root_id) }}">{{ $difference->document }}</a></td>
                    <td>{{ Say::day($difference->date) }}</td>
                    <td class="n">{{ Say::balance($money(($difference->side === 'debit' ? 1 : -1) * $difference->base)) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
@if ($related->isNotEmpty())
    <h2>Related documents</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($related as $other)
                <tr>
                    <td><a href="{{ route('document', $other->root_id) }}">{{ ucfirst(Kind::from($other->kind)->words()) }}
                            {{ $other->document }}</a></td>
                    <td>{{ Say::day($other->date) }}</td>
                    <td class="n">{{ Money::ofMinor($other->amount, $other->currency)->grouped() }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
