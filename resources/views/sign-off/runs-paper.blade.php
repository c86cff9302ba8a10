@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Run\RunKind;
    use App\Http\Say;
    $runs = collect($rows)->groupBy('run');
@endphp
<x-paper title="Runs of {{ $period->name }}">
    <x-letterhead />
    <h1>Runs of {{ $period->name }}</h1>
    @forelse ($runs as $number => $lines)
        @php $first = $lines[0]; @endphp
        <h2>Run {{ $number }}: {{ RunKind::from($first['kind'])->words() }} as of {{ Say::day($first['as_of']) }}</h2>
        <div class="soft">{{ $first['policy'] }}; by {{ $first['who'] }}{{ $first['taken_back'] === '' ? '' : '; taken back: ' . $first['taken_back'] }}</div>
        <table>
            <tbody>
                @foreach ($lines as $of)
                    <tr>
                        <td>{{ $of['state'] }}</td>
                        <td>{{ $of['customer'] }}</td>
                        <td>{{ $of['document'] }}</td>
                        <td>{{ $of['why'] }}</td>
                        <td class="n">{{ Money::ofMinor((int) $of['base'], $base)->grouped() }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @empty
        <p>No run was posted.</p>
    @endforelse
</x-paper>
