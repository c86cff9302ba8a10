@use('App\Http\Say')
<x-paper title="Confirmation of balance">
    @foreach ($letters as [$letter, $statements])
        <x-letterhead />
        <h1>Confirmation of balance as of {{ Say::day($sample->as_of) }}</h1>
        <p>{{ $letter->customer }} {{ $letter->name }}</p>
        <p>Our books show the balances below. Please compare them with yours and send the slip at the foot, signed, to {{ $sample->reply_to }}. This is
            no request to pay.</p>
        @foreach ($statements as $of)
            <table>
                <thead>
                    <tr>
                        <th>Open document</th>
                        <th>Due</th>
                        <th class="n">Open, {{ $of->currency->code }}</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($of->open() as $item)
                        <tr>
                            <td>{{ ucfirst($item->kind->words()) }} {{ $item->document }}</td>
                            <td>{{ Say::day($item->dueDate) }}</td>
                            <td class="n">{{ Say::balance($item->open) }}</td>
                        </tr>
                    @endforeach
                </tbody>
                <tfoot>
                    <tr>
                        <td colspan="2">Balance</td>
                        <td class="n">{{ Say::balance($of->balance) }} {{ $of->currency->code }}</td>
                    </tr>
                </tfoot>
            </table>
        @endforeach
        <hr style="margin-top: 12mm; border: none; border-top: 0.4pt dashed #616c6f">
        <p><b>Reply slip</b>, {{ $letter->customer }} {{ $letter->name }}, sample {{ $sample->id }}, {{ Say::day($sample->as_of) }}</p>
        @foreach ($statements as $of)
            <p>Balance {{ Say::balance($of->balance) }} {{ $of->currency->code }}: &nbsp; [ &nbsp; ] agrees &nbsp; [ &nbsp; ] differs; our books show
                ....................</p>
        @endforeach
        <p>Documents by which it differs: ........................................................................................</p>
        <p>Place, day, name and signature: ........................................................................................</p>
        @unless ($loop->last)
            <div style="page-break-after: always"></div>
        @endunless
    @endforeach
</x-paper>
