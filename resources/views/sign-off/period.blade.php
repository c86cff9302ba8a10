@use('App\Http\Say')
@php $link = ['as_of' => $period->last, 'known_at' => $signature->recordedAt]; @endphp
<x-layout title="Signed figures" station="sign-off">
    <div class="pane">
        <p><a href="{{ route('sign-off') }}">Sign-off</a></p>
        <h1>{{ $period->name }} as known then and now</h1>
        <p class="lead">Signed second by {{ $signature->who }}, {{ Say::moment($signature->recordedAt) }}{{ $stands ? '' : '; opened again since, so that the signature is void' }}.
            As it was known then: <a href="{{ route('proof', $link) }}">proof</a>, <a href="{{ route('aged', $link) }}">aged list</a>,
            <a hx-boost="false" href="{{ route('sign-off.pack', $period->name) }}">close pack</a>@if ($cut)
                , <a hx-boost="false" href="{{ route('sign-off.cut', $cut->id()) }}">the one that was cut</a>
            @endif.</p>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Figure</th>
                    <th scope="col" class="n">As signed</th>
                    <th scope="col" class="n">As known now</th>
                    <th scope="col"></th>
                </tr>
            </thead>
            <tbody>
                @foreach ($names as $name)
                    @php [$then, $today] = [$signature->figures->byName[$name] ?? '', $now->byName[$name] ?? '']; @endphp
                    <tr>
                        <td>{{ ucfirst($name) }}</td>
                        <td class="n">{{ $then === '' ? '·' : $then }}</td>
                        <td class="n">{{ $today === '' ? '·' : $today }}</td>
                        <td>
                            @if ($then === $today)
                                <span class="slate">the same</span>
                            @else
                                <span class="tag ochre">changed</span>
                            @endif
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @if ($changed === [])
            <p class="mt-3"><span class="tag green">the same</span> Every signed figure is what it was.</p>
        @else
            <p class="mt-3">{{ Say::count(count($changed), 'figure') }} changed since. The trail says what was posted, and when.</p>
        @endif
    </div>
</x-layout>
