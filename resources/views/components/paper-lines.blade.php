@use('App\Http\Say')
@props(['lines'])
@foreach ($lines as $line)
    <tr>
        <td>{{ $line->document }}</td>
        <td>{{ Say::day($line->day) }}</td>
        <td class="n">{{ $line->amount->grouped() }}</td>
    </tr>
    @foreach ($line->besides as $other)
        <tr class="soft">
            <td>and by {{ $other->document }}</td>
            <td>{{ Say::day($other->day) }}</td>
            <td class="n">({{ $other->amount->grouped() }})</td>
        </tr>
    @endforeach
@endforeach
