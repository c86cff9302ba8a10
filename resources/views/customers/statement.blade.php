@use('Ajuste\Core\Proposal\CreditorReference')
@use('App\Http\Say')
<x-paper title="Statement">
    @foreach ($statements as $of)
        <x-letterhead />
        <h1>Statement of account, {{ $of->currency->code }}</h1>
        <p>{{ $of->customer->number }} {{ $of->customer->name }}<br><span class="soft">{{ Say::day($of->from) }} to {{ Say::day($of->to) }}</span></p>
        <table>
            <thead>
                <tr>
                    <th>Date</th>
                    <th>Document</th>
                    <th>Due</th>
                    <th class="n">Debit</th>
                    <th class="n">Credit</th>
                    <th class="n">Open</th>
                </tr>
            </thead>
            <tbody>
                <tr>
                    <td colspan="3">Brought forward</td>
                    <td class="n">{{ $of->forward->isNegative() ? '' : $of->forward->grouped() }}</td>
                    <td class="n">{{ $of->forward->isNegative() ? $of->forward->abs()->grouped() : '' }}</td>
                    <td></td>
                </tr>
                @foreach ($of->lines as $line)
                    <tr>
                        <td>{{ Say::day($line->date) }}</td>
                        <td>
                            {{ ucfirst($line->kind->words()) }} {{ $line->document }}
                            @unless ($line->contested->isZero())
                                <br><span class="soft">{{ $line->contested->grouped() }} of it contested</span>
                            @endunless
                        </td>
                        <td>{{ $line->amount->isPositive() ? Say::day($line->dueDate) : '' }}</td>
                        <td class="n">{{ $line->amount->isPositive() ? $line->amount->grouped() : '' }}</td>
                        <td class="n">{{ $line->amount->isPositive() ? '' : $line->amount->abs()->grouped() }}</td>
                        <td class="n">{{ $line->open->isZero() ? '' : Say::balance($line->open) }}</td>
                    </tr>
                @endforeach
            </tbody>
            <tfoot>
                <tr>
                    <td colspan="3">Balance, {{ Say::day($of->to) }}</td>
                    <td class="n" colspan="3">{{ Say::balance($of->balance) }} {{ $of->currency->code }}</td>
                </tr>
            </tfoot>
        </table>
        <table>
            <thead>
                <tr>
                    @foreach ($of->buckets() as $label)
                        <th class="n">{{ Say::bucket($label) }}</th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                <tr>
                    @foreach ($of->amounts() as $amount)
                        <td class="n">{{ $amount->grouped() }}</td>
                    @endforeach
                </tr>
            </tbody>
        </table>
        @unless ($of->contested->isZero())
            <p>Of the balance you contest {{ $of->contested->grouped() }} {{ $of->currency->code }}.</p>
        @endunless
        @if ($of->balance->isPositive() && ($of->payTo !== '' || $of->reference !== ''))
            <p>
                Please pay{{ $of->payTo === '' ? '' : ' to '.CreditorReference::grouped($of->payTo) }}{{ $of->reference === ''
                    ? '.'
                    : ', with the reference '.CreditorReference::grouped($of->reference).'.' }}
            </p>
        @endif
        @unless ($loop->last)
            <div style="page-break-after: always"></div>
        @endunless
    @endforeach
</x-paper>
