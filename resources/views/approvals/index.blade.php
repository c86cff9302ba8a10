@php
    use Ajuste\Core\Money\Money;
    use App\Http\Answer;
    use App\Http\Say;
@endphp
<x-layout title="Approvals">
    <div class="pane">
        <h1>Approvals</h1>
        <table class="grid-table">
            <tbody>
                @forelse ($waiting as $request)
                    <tr>
                        <td><a href="{{ Answer::page($request) }}">{{ ucfirst($request->title) }}</a><br>
                            <span class="slate">{{ $request->who }}, {{ Say::moment($request->recorded_at) }}: {{ $request->why }}</span></td>
                        <td class="n">{{ Money::ofMinor($request->total, $base)->grouped() }} {{ $base->code }}</td>
                    </tr>
                @empty
                    <tr>
                        <td>Nothing waits for a second person.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        @if ($answered !== [])
            <h2>Answered</h2>
            <table class="grid-table">
                <tbody>
                    @foreach ($answered as $request)
                        <tr>
                            <td>{{ ucfirst($request->title) }}<br><span class="slate">asked by {{ $request->who }},
                                    {{ Say::moment($request->recorded_at) }}</span></td>
                            <td class="n">{{ Money::ofMinor($request->total, $base)->grouped() }} {{ $base->code }}</td>
                            <td><span @class(['tag', 'green' => $request->answer === 'approved', 'ochre' => $request->answer !== 'approved'])>
                                    {{ str_replace('_', ' ', $request->answer) }}</span> by {{ $request->by }}{{ $request->words === '' ? '' : ": {$request->words}" }}
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </div>
</x-layout>
