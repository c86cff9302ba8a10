@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
@endphp
<x-layout title="What a proof cannot see" station="proof">
    <div class="pane">
        <div class="flex items-baseline gap-4">
            <h1>What a proof cannot see</h1><a class="ml-auto" href="{{ route('proof') }}">Proof of {{ $account->title() }}</a>
        </div>
        <p class="lead">Here both sides agree, so that no difference tells of it.</p>
        <h2>The same document twice on both sides</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Document</th>
                    <th scope="col" class="n">Times</th>
                    <th scope="col" class="n">Amount each</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($twice as $row)
                    <tr>
                        <td><a href="{{ route('document', $row->item) }}">{{ $row->document }}</a></td>
                        <td class="n">{{ $row->times }}</td>
                        <td class="n">{{ Say::balance($money($row->amount)) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="3">None.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <h2>Receipts that quote a document of another customer</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Receipt</th>
                    <th scope="col">Dated</th>
                    <th scope="col">Of</th>
                    <th scope="col">Quotes</th>
                    <th scope="col">Of</th>
                    <th scope="col" class="n">Amount</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($quotes as $row)
                    <tr>
                        <td><a href="{{ route('document', $row->item) }}">{{ $row->receipt }}</a></td>
                        <td>{{ Say::day($row->date) }}</td>
                        <td>{{ $row->name }}</td>
                        <td><a href="{{ route('document', $row->other_item) }}">{{ $row->quoted }}</a></td>
                        <td>{{ $row->other }}</td>
                        <td class="n">{{ $money($row->base)->grouped() }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="6">None.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <h2>Numbers that are missing</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">From</th>
                    <th scope="col">To</th>
                    <th scope="col" class="n">How many</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($gaps as [$first, $last, $count])
                    <tr>
                        <td>{{ $first }}</td>
                        <td>{{ $last }}</td>
                        <td class="n">{{ number_format($count) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="3">No series of invoices or credit notes has a gap.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
    </div>
</x-layout>
