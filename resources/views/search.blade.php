@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Subledger\Kind;
    use App\Http\Say;
@endphp
<x-layout title="Search">
    <div class="pane">
        <h1>Found for “{{ $asked }}”</h1>
        @if ($found->isEmpty())
            <p class="lead">No document, customer, voucher, entry, statement line or amount. Documents are found by the start of their number, customers by any
                part of their name, money by its bank reference, cheque number or payer, amounts as they are written.</p>
        @endif
        @if ($found->customers->isNotEmpty())
            <h2>Customers</h2>
            <table class="grid-table" data-list>
                <tbody>
                    @foreach ($found->customers as $customer)
                        <tr>
                            <td><a href="{{ route('customer', $customer->id) }}">{{ $customer->customer }} {{ $customer->name }}</a></td>
                            <td class="soft">{{ $customer->trading_name }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        @if ($found->items->isNotEmpty())
            <h2>Documents</h2>
            <table class="grid-table" data-list>
                <tbody>
                    @foreach ($found->items as $item)
                        <tr>
                            <td><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</a></td>
                            <td>{{ Say::day($item->date) }}</td>
                            <td class="n">{{ Money::ofMinor($item->amount, $item->currency)->grouped() }} {{ $item->currency }}
                                {{ $item->side === 'debit' ? 'Dr' : 'Cr' }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        @if ($found->money !== [])
            <h2>Money</h2>
            <table class="grid-table" data-list>
                <tbody>
                    @foreach ($found->money as [$line, $item])
                        <tr>
                            <td><a
                                    href="{{ $item ? route('document', $item) : route('receipts', ['line' => $line->id]) }}">{{ $line->reference !== '' ? $line->reference
                                        : $line->origin->endToEnd }}</a>
                                {{ $line->payer->name }} <span class="slate">{{ $line->payer->remittance }}</span></td>
                            <td class="soft">{{ $line->origin->way }}</td>
                            <td>{{ Say::day($line->dates->booking) }}</td>
                            <td class="n">{{ $line->amount->grouped() }} {{ $line->amount->currency->code }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        @if ($found->postings->isNotEmpty())
            <h2>Postings</h2>
            <table class="grid-table" data-list>
                <tbody>
                    @foreach ($found->postings as $posting)
                        <tr>
                            <td><a href="{{ route('posting', $posting->id) }}">{{ $posting->entry }}</a> {{ $posting->description }}</td>
                            <td>{{ Say::day($posting->date) }}</td>
                            <td class="n">{{ Say::balance(Money::ofMinor($posting->base, $base)) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </div>
</x-layout>
