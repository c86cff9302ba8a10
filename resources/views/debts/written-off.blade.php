@use('App\Http\Say')
@if ($writtenOff !== [])
    <h2>Written off before</h2>
    <table class="grid-table">
        <tbody>
            @foreach ($writtenOff as $of)
                <tr>
                    <td><a href="{{ route('document', $of->debt_item_id) }}">{{ $of->debt }}</a></td>
                    <td>written off on {{ Say::day($of->date) }}, {{ $of->evidence }}</td>
                    <td class="n">{{ $of->whole->grouped() }} {{ $of->currency }}</td>
                    <td class="n soft">{{ $of->left->equals($of->whole) ? '' : 'recovered but ' . $of->left->grouped() }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endif
