@php
    use App\Http\Say;
    use App\Queries\OwnChecks;
    use App\Queries\SignOffChecks;
    $user = Auth::user();
    $inReview = $signOff->isInReview();
    $open = $signOff->open();
@endphp
<x-layout title="Sign-off" station="sign-off" class="halves even">
    <div class="pane">
        <h1>Sign-off of {{ Say::period($signOff->period) }}</h1>
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
                            @includeWhen(OwnChecks::number($check) !== null && $user->role->mayWrite(), 'sign-off.end-check')
                            @if (OwnChecks::number($check) !== null)
                                <x-notes :subject="'check ' . $signOff->period->name . ' ' . OwnChecks::number($check)" />
                            @endif
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @if ($user->role->mayWrite())
            <form method="post" action="{{ route('sign-off.add-check') }}" class="flex gap-3 items-end mt-4">@csrf
                <input type="hidden" name="key" value="{{ $key }}-own">
                <label class="grid grow">A check of your own, before each signature <input type="text" name="words" required value="{{ old('words') }}"
                        data-hotkey="e"></label>
                <button class="button">Add it</button>
            </form>
        @endif
    </div>
    <aside class="pane worktop" id="worktop" aria-label="What is signed">
        <h2 class="title">What is signed</h2>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Figure</th>
                    <th scope="col" class="n">Signed</th>
                    <th scope="col" class="n">Period before</th>
                    <th scope="col" class="n">Change</th>
                    <th scope="col" class="n">Year before</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($signOff->figures->byName as $name => $figure)
                    @php $beside = $signOff->comparedTo($name); @endphp
                    <tr>
                        <td>{{ ucfirst($name) }}</td>
                        <td class="n font-semibold">{{ $figure }}</td>
                        <td class="n">{{ $beside?->before->grouped() }}</td>
                        <td class="n slate nowrap">{{ $beside?->percent() === null ? '' : str_replace('-', '−', $beside->percent()) . ' %' }}</td>
                        <td class="n">{{ $beside?->yearBefore->grouped() }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @include('sign-off.signed')
        @includeWhen($user->role->mayWrite(), 'sign-off.sign')
    </aside>
</x-layout>
