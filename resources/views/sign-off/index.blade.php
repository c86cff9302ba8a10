@php
    use App\Http\Say;
    use App\Queries\SignOffChecks;
    $user = Auth::user();
    $inReview = $signOff->isInReview();
    $open = $signOff->open();
@endphp
<x-layout title="Sign-off" station="sign-off" class="halves even">
    <div class="pane">
        <h1>Sign-off of {{ $signOff->period->name }}</h1>
        <p class="lead">{{ Say::day($signOff->period->first) }} to {{ Say::day($signOff->period->last) }}.
            {{ $open === [] ? 'Everything is green or explained.' : Say::count(count($open), 'check') . ' to settle or explain.' }}</p>
        <table class="grid-table">
            <tbody>
                @foreach ($signOff->checks as $check)
                    <tr>
                        <td class="nowrap"><span @class(['tag', 'green' => $check->isGreen, 'ochre' => !$check->isGreen])>{{ $check->isGreen ? 'green' : 'not yet' }}</span></td>
                        <td>
                            @if ($check->page !== '')
                                <a href="{{ route($check->page) }}">{{ $check->words }}</a>
                            @else
                                {{ $check->words }}
                            @endif
                            @if (!$check->isGreen)
                                <span class="slate">{{ $check->finding }}</span>
                            @endif
                        </td>
                        <td>
                            @includeWhen(!$check->isGreen && $check->name === SignOffChecks::BACKUP && $user->role->mayWrite(), 'sign-off.backup')
                            @includeWhen(!$check->isGreen, 'sign-off.reason')
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What is signed">
        <h2 class="title">What is signed</h2>
        <table class="grid-table">
            <tbody>
                @foreach ($signOff->figures->byName as $name => $figure)
                    <tr>
                        <td>{{ ucfirst($name) }}</td>
                        <td class="n">{{ $figure }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @include('sign-off.signed')
        @includeWhen($user->role->mayWrite(), 'sign-off.sign')
    </aside>
</x-layout>
