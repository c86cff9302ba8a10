@use('Ajuste\Core\Money\Money')
@use('App\Http\Answer')
@use('App\Http\Say')
@foreach ($underWay as $work)
    <div class="note"><a href="{{ route('work', $work->id()) }}">{{ $work->kind()->words() }}</a>, begun by {{ $work->actor()->who }}:
        {{ $work->total() === 0 ? 'waits for its turn' : number_format($work->done()) . ' of ' . Say::count($work->total(), $work->kind()->unit()) }}.</div>
@endforeach
@foreach ($approvals as $request)
    <div class="note">{{ $request->who }} asks for approval to <a href="{{ Answer::page($request) }}">{{ $request->title }},
            {{ Money::ofMinor($request->total, $base)->grouped() }}</a>: {{ $request->why }}.</div>
@endforeach
