@use('App\Http\Say')
<h2>Open as of {{ Say::day($at->asOf) }}</h2>
<table class="grid-table">
    <thead>
        <tr>
            <th scope="col">Document</th>
            <th scope="col">Due</th>
            <th scope="col" class="n">Open</th>
        </tr>
    </thead>
    <tbody>
        @forelse ($open as $item)
            <tr>
                <td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a></td>
                <td>{{ Say::day($item->dueDate) }}</td>
                <td class="n">{{ $item->open->grouped() }} {{ $item->isDebit() ? 'Dr' : 'Cr' }}@if ($item->open->currency->code !== $base->code)
                        <span class="slate">{{ $item->open->currency->code }}</span>
                    @endif
                </td>
            </tr>
            @foreach ($contested[$item->id] ?? [] as $amount)
                <tr>
                    <td colspan="2" class="pl-6! soft">of it contested: {{ $amount->reason }}, {{ $amount->owner }}</td>
                    <td class="n"><span class="tag ochre">{{ $amount->amount->grouped() }}</span></td>
                </tr>
            @endforeach @empty
            <tr>
                <td colspan="3">Nothing is open.</td>
            </tr>
        @endforelse
    </tbody>
</table>
@if ($deposits !== [])
    <h2>Deposits held</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($deposits as $item)
                <tr>
                    <td><a href="{{ route('document', $item->id) }}">{{ $item->title() }}</a></td>
                    <td>{{ Say::day($item->date) }}</td>
                    <td class="n">{{ $item->open->grouped() }} {{ $item->isDebit() ? 'Dr' : 'Cr' }} @if ($item->open->currency->code !== $base->code)
                            <span class="slate">{{ $item->open->currency->code }}</span>
                        @endif
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <p class="soft mt-1">A liability until the goods are invoiced. <a href="{{ route('deposits') }}">Match to an invoice</a></p>
@endif
