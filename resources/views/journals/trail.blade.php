@php use App\Http\Say; @endphp
<x-layout title="Trail">
    <div class="pane">
        <h1>Trail</h1>
        <p class="lead">Who did what, and when. Each record carries the digest of the one before it.</p>
        <table class="grid-table" data-list>
            <thead>
                <tr>
                    <th scope="col">When (UTC)</th>
                    <th scope="col">Who</th>
                    <th scope="col">What</th>
                    <th scope="col">Subject</th>
                    <th scope="col">Why</th>
                    <th scope="col">Details</th>
                    <th scope="col">By</th>
                    <th scope="col">Digest</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($records as $record)
                    <tr>
                        <td class="nowrap">{{ Say::moment($record->recorded_at) }}</td>
                        <td>{{ $record->who }}</td>
                        <td>{{ $record->what }}</td>
                        <td class="nowrap"><a href="{{ route('trail', ['subject' => $record->subject]) }}">{{ $record->subject }}</a></td>
                        <td>{{ $record->why }}</td>
                        <td class="soft">
                            @foreach (json_decode($record->details, true) as $name => $value)
                                {{ $name }} {{ $value }}@unless ($loop->last)
                                ,
                            @endunless
                        @endforeach
                    </td>
                    <td class="soft">{{ $record->source }}</td>
                    <td class="slate" title="{{ $record->digest }}">{{ substr($record->digest, 0, 10) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <p class="mt-3">{{ $records->links('pager') }}</p>
</div>
</x-layout>
