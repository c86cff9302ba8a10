@props(['text', 'lines'])
<table class="grid-table">
    <caption class="visually-hidden">Voucher: {{ $text }}</caption>
    <thead>
        <tr>
            <th scope="col">Account</th>
            <th scope="col" class="n">Debit</th>
            <th scope="col" class="n">Credit</th>
        </tr>
    </thead>
    <tbody>
        @foreach ($lines as $line)
            <tr>
                <td>{{ $line->account->title() }}</td>
                <td class="n">{{ $line->debit()?->grouped() }}</td>
                <td class="n">{{ $line->credit()?->grouped() }}</td>
            </tr>
        @endforeach
    </tbody>
</table>
