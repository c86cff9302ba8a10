@use('Ajuste\Core\Money\Money')
@use('App\Http\Answer')
@foreach ($approvals as $request)
    <div class="note">{{ $request->who }} asks for approval to <a href="{{ Answer::page($request) }}">{{ $request->title }},
            {{ Money::ofMinor($request->total, $base)->grouped() }}</a>: {{ $request->why }}.</div>
@endforeach
