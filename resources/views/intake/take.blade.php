@use('App\Http\Say')
<div class="flex gap-4 mt-5 items-center">
    @if ($something && $report->refusedCount === 0)
        <form method="post" action="{{ route('hand-in.commit', $token) }}">@csrf
            <button class="button main" data-main>Take in
                {{ Say::count(count($report->files), 'file') }} <kbd>Ctrl ↵</kbd></button>
        </form>
    @elseif ($something && $report->canBeSetAside())
        <form method="post" action="{{ route('hand-in.commit', $token) }}">@csrf
            <input type="hidden" name="set_aside" value="1">
            <button class="button">Set {{ Say::count($report->refusedCount, 'row') }} aside and take in the rest</button>
        </form>
    @elseif (!$something)
        <span class="tag green">The books have all of this already.</span>
    @endif
    @if (collect($report->refused)->contains(fn($of) => $of->field === 'customer'))
        <form method="post" action="{{ route('hand-in.customers', $token) }}">@csrf
            <button class="button">Make the customers that the lists name</button>
        </form>
    @endif
    <form method="post" action="{{ route('hand-in.discard', $token) }}">@csrf
        <button class="button">Discard the files</button>
    </form>
</div>
