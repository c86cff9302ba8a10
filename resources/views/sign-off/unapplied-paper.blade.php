@use('App\Http\Say')
<x-paper title="Unapplied at the end of {{ $period->name }}">
    <x-letterhead />
    <h1>Unapplied credits as of {{ Say::day($period->last) }}</h1>
    <table>
        <thead>
            <tr>
                <th>Customer</th>
                <th>Document</th>
                <th>Dated</th>
                <th class="n">Unapplied</th>
                <th>Reason</th>
            </tr>
        </thead>
        <tbody>
            @forelse ($rows as $of)
                <tr>
                    <td>{{ $of['customer'] }} {{ $of['name'] }}</td>
                    <td>{{ $of['document'] }}</td>
                    <td>{{ Say::day($of['date']) }}</td>
                    <td class="n">{{ $of['open'] }} {{ $of['currency'] }}</td>
                    <td>{{ $of['reason'] }}{{ $of['until'] === '' ? '' : ', until ' . Say::day($of['until']) }}</td>
                </tr>
            @empty
                <tr>
                    <td colspan="5">Nothing was unapplied.</td>
                </tr>
            @endforelse
        </tbody>
    </table>
</x-paper>
