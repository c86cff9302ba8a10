@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Run\RunKind;
    use App\Http\Say;
@endphp
@foreach ($requests as $request)
    @php $kind = RunKind::from($request->kind); @endphp
    <div class="note">{{ $request->who }} asks for approval to <a
            href="{{ route($kind->path(), ['as_of' => $request->as_of, 'account' => $request->account]) }}">{{ $kind->words() }} as of
            {{ Say::day($request->as_of) }}, {{ Say::count($request->lines, 'line') }},
            {{ Money::ofMinor($request->total, $base)->grouped() }}</a>: {{ $request->why }}.</div>
@endforeach
@foreach ($approvals as $request)
    <div class="note">{{ $request->who }} asks for approval to <a href="{{ route('approval', $request->id) }}">{{ $request->title }},
            {{ Money::ofMinor($request->total, $base)->grouped() }}</a>: {{ $request->why }}.</div>
@endforeach
