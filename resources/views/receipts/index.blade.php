@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Proposal\PayerRecognition;
    use Ajuste\Core\Settlement\RestPlace;
    use Ajuste\Core\Subledger\Side;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Receipts" station="receipts" class="halves even">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4 flex-wrap">
            <h1>Receipts</h1>
            <span class="ml-auto flex gap-4"><a href="{{ route('bank') }}">Bank against book</a><a
                    href="{{ route('batches') }}">Batches and typed receipts</a><a href="{{ route('direct-debits') }}">Direct debits</a><a
                    href="{{ route('deposits') }}">Deposits</a><a
                    href="{{ route('receipts.placed') }}">Placed</a><a href="{{ route('settings') }}">Settings</a></span>
        </div>
        <p class="lead">{{ Say::count($all, 'line') }} to place, {{ $sum->grouped() }} {{ $base->code }}; {{ number_format(array_sum($placed)) }}
            placed{{ ($placed['not_receivables'] ?? 0) + $out > 0 ? ', ' . number_format(($placed['not_receivables'] ?? 0) + $out) . ' not receivables' : '' }}.
            The
            most certain first.</p>
        @if (count($kinds) > 1)
            <div class="flex flex-wrap gap-2 mb-3" role="group" aria-label="Kinds of lines">
                <a class="tag" href="{{ route('receipts') }}" @if ($kind === '') aria-current="true" @endif>all</a>
                @foreach ($kinds as $name => [$count, $of, $certain])
                    <a @class(['tag', 'green' => $certain]) href="{{ route('receipts', ['kind' => $name]) }}"
                        @if ($kind === $name) aria-current="true" @endif>{{ $name }} {{ $count }}</a>
                @endforeach
            </div>
        @endif
        <div class="flex items-center gap-4 flex-wrap">
            <x-filter />
            @php $ready = $kind !== '' ? $kind : (count($kinds) > 0 && reset($kinds)[2] ? array_key_first($kinds) : ''); @endphp
            @if ($writes && $ready !== '' && $kinds[$ready][2])
                @if ($kind === '')
                    <a class="button ml-auto" href="{{ route('receipts', ['kind' => $ready]) }}" data-hotkey="g">See {{ $kinds[$ready][0] }}
                        {{ $ready }}, {{ $kinds[$ready][1]->grouped() }} <kbd>G</kbd></a>
                @else
                    <form method="post" action="{{ route('receipts.accept') }}" class="ml-auto">@csrf
                        <input type="hidden" name="kind" value="{{ $kind }}">
                        @foreach ($guesses as $guess)
                            <input type="hidden" name="looked[{{ $guess->line->id }}]" value="{{ $guess->digest() }}">
                        @endforeach
                        <button class="button" data-hotkey="g">Accept {{ $kinds[$ready][0] }} {{ $ready }}, {{ $kinds[$ready][1]->grouped() }}
                            <kbd>G</kbd></button>
                    </form>
                @endif
            @endif
        </div>
        @include('receipts.lines')
        <x-table-foot name="receipts" />
        @if ($writes)
            <form method="post" action="{{ route('bank.next') }}" class="mt-2">@csrf
                <button class="button py-0.5!">Fetch the bank's next statement</button>
                <span class="slate">from the bank that ships with Ajuste</span>
            </form>
        @endif
    </div>
    @fragment('worktop')
        <aside class="pane worktop" id="worktop" aria-label="The chosen statement line">
            @if ($chosen)
                @php
                    $line = $chosen->line;
                    $guess = collect($chosen->payers)->firstWhere('customerId', $payer?->id);
                    $here = array_filter(['line' => $line->id, 'kind' => $kind]);
                    $anyway = request()->boolean('anyway') || $asked !== '' || request()->has('customer') || request()->isMethod('POST');
                @endphp
                <div class="flex items-baseline gap-4">
                    <h2 class="title">{{ $line->amount->minor < 0 ? 'Which receipt came back?' : $payer->name ?? 'Whose money is it?' }}</h2><b
                        class="ml-auto text-lg whitespace-nowrap">{{ $line->amount->grouped() }} {{ $line->amount->currency->code }}</b>
                </div>
                <p class="lead mb-2!">{{ $line->title() }}{{ $line->payer->bankAccount === '' ? '' : ', account ' . $line->payer->bankAccount }}. Booked
                    {{ Say::day($line->dates->booking) }}{{ $line->charges->isZero() ? '' : ', bank charges deducted ' . $line->charges->grouped() }}{{ $line->origin->partOf
                        ? ', part of a divided line' : '' }}.
                    @if ($line->origin->batchId)
                        <a href="{{ route('batches', ['batch' => $line->origin->batchId]) }}">Back to the batch</a>
                    @endif
                    @if ($line->amount->isNegative())
                        {{-- Which receipt it was says whose it is. --}}
                    @elseif ($guess)
                        <span class="tag {{ $guess->score >= PayerRecognition::SURE ? 'green' : 'ochre' }}">{{ $guess->why }}</span>
                    @elseif ($payer)
                        <span class="tag">chosen by you</span>
                    @endif
                    @if ($draft)
                        <span class="tag">draft kept</span>
                    @endif
                </p>
                @include('receipts.confirm')
                @if ($like)
                    @include('receipts.asked')
                @elseif ($confirms && !$anyway)
                @elseif ($line->amount->minor < 0)
                    @include('receipts.came-back')
                @else
                    @include('receipts.payers')
                    @if ($asked !== '' && $hits === [])
                        <div class="note bad" role="alert">No customer has the number, name, account or document “{{ $asked }}”. Type a part of the
                            name, or the number as it stands in customers.csv.</div>
                    @endif
                    @if ($payer && $writes && $filled)
                        @include('receipts.form')
                    @endif
                    @if ($writes && !$line->origin->batchId)
                        @include('receipts.elsewhere')
                    @endif
                @endif
            @elseif ($wanted !== 0)
                @include('receipts.not-here')
            @else
                <h2 class="title">Nothing to place</h2>
            @endif
        </aside>
    @endfragment
</x-layout>
