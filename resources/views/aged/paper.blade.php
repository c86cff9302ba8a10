@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => $minor === 0 ? '' : Money::ofMinor($minor, $base)->grouped();
    $list = $report->sums;
@endphp
<x-paper title="Aged receivables">
    <x-letterhead />
    <h1>Aged receivables as of {{ Say::day($list->asOf) }}</h1>
    <div class="soft">{{ $says }}.</div>
    <table style="font-size: 8pt">
        <thead>
            <tr>
                <th style="width: 34%">{{ $by }}</th>
                @foreach ($list->buckets->labels as $label)
                    <th class="n">{{ Say::bucket($label) }}</th>
                @endforeach
                <th class="n">Unapplied</th>
                <th class="n">Total</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($report->rows() as $of)
                <tr>
                    <td>{{ trim("{$of->row->customer} {$of->row->name} {$of->document}") ?: 'none' }}
                        <span class="soft">{{ $of->row->currency === $base->code ? '' : $of->row->currency }}</span></td>
                    @foreach ($of->row->amounts as $amount)
                        <td class="n">{{ $money($amount) }}</td>
                    @endforeach
                    <td class="n">{{ $money($of->row->unapplied) }}</td>
                    <td class="n">{{ $money($of->row->total) }}</td>
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td><b>Total</b></td>
                @foreach ($list->totals->amounts as $amount)
                    <td class="n"><b>{{ $money($amount) }}</b></td>
                @endforeach
                <td class="n"><b>{{ $money($list->totals->unapplied) }}</b></td>
                <td class="n"><b>{{ Money::ofMinor($list->totals->total, $base)->grouped() }}</b></td>
            </tr>
        </tfoot>
    </table>
    @forelse ($report->ties as $tie)
        <p>Control account {{ $tie->account->title() }} {{ Say::balance($tie->control) }}.
            @if ($tie->difference->isZero())
                The list ties.
            @else
                <b>The list does not tie: {{ $tie->difference->grouped() }} lies between them.</b>
            @endif
        </p>
    @empty
        <p>The control account is compared with the list in base currency.</p>
    @endforelse
</x-paper>
