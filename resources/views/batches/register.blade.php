@php use App\Http\Say; @endphp
<x-paper title="Register of batch {{ $batch->reference }}">
    <h1>Register of batch {{ $batch->reference }}</h1>
    <div class="soft">{{ app(App\Queries\Settings::class)->booksName() }}. {{ ucfirst($batch->way->value) }} of
        {{ Say::day($batch->date) }}, to {{ $batch->account->title() }} {{ $batch->posting === App\Values\BatchPosting::AsOne ? 'as one sum' : 'one by one' }}.
        {{ $batch->postedAt === null ? 'Not posted yet.' : 'Posted ' . Say::moment($batch->postedAt) . ' UTC.' }}</div>
    <table>
        <thead>
            <tr>
                <th>No.</th>
                <th>Customer</th>
                <th>Reference</th>
                <th>{{ $batch->postedAt === null ? 'Pays' : 'Settled' }}</th>
                <th>Voucher</th>
                <th class="n">Amount</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($batch->lines as $line)
                <tr>
                    <td>{{ $loop->iteration }}</td>
                    <td>{{ $names[$line->origin->customerId]->customer ?? '' }} {{ $names[$line->origin->customerId]->name ?? '' }}</td>
                    <td>{{ $line->reference }}</td>
                    <td>{{ $batch->postedAt === null ? $line->payer->remittance : implode(', ', $placed[$line->id]->settled ?? []) }}</td>
                    <td>{{ $placed[$line->id]->voucher ?? '' }}</td>
                    <td class="n">{{ $line->amount->grouped() }}</td>
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <td colspan="5">Entered, {{ Say::count(count($batch->lines), 'receipt') }}</td>
                <td class="n">{{ $batch->entered()->grouped() }}</td>
            </tr>
            <tr>
                <td colspan="5">Declared</td>
                <td class="n">{{ $batch->declared->grouped() }}</td>
            </tr>
            <tr>
                <td colspan="5">Remaining, {{ $batch->declared->currency->code }}</td>
                <td class="n">{{ $batch->remaining()->grouped() }}</td>
            </tr>
        </tfoot>
    </table>
    <p class="soft">Typed by {{ $batch->who }}.</p>
</x-paper>
