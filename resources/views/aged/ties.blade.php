@use('App\Http\Say')
<p class="mt-3">List total <b class="text-lg">{{ Say::balance($money($list->totals->total)) }}</b> {{ $list->in }}</p>
@forelse ($report->ties as $tie)
    <p>Control account {{ $tie->account->number }} <b class="text-lg">{{ Say::balance($tie->control) }}</b> &nbsp;
        @if ($tie->difference->isZero())
            <span class="tag green">ties</span>
        @else
            <a class="text-madder" href="{{ route('proof', ['account' => $tie->account->number]) }}">does not tie by
                <b>{{ $tie->difference->abs()->grouped() }}</b>, see the causes in Proof</a>
        @endif
    </p>
@empty
    <p class="slate">The control account is in base currency; <a href="{{ route('aged', ['in' => '', ...array_diff_key($asked, ['in' => 0])]) }}">the
            list in base</a> is compared with it.</p>
@endforelse
