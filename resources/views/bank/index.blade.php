@php
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
    $against = $chosen?->against;
    $here = array_filter(['bank' => $chosen?->account->number]);
@endphp
<x-layout title="Bank against book" station="receipts" class="halves even">
    <div class="pane">
        <div class="flex items-baseline gap-4 flex-wrap">
            <h1>Bank against book</h1>
            <span class="ml-auto"><a href="{{ route('receipts') }}">Receipts</a></span>
        </div>
        @if (count($accounts) > 1)
            <div class="flex flex-wrap gap-2 mb-3" role="group" aria-label="Bank accounts">
                @foreach ($accounts as $of)
                    <a @class(['tag', 'green' => $of->ties()]) href="{{ route('bank', ['bank' => $of->account->number]) }}"
                        @if ($of->account->id === $chosen?->account->id) aria-current="true" @endif>{{ $of->account->title() }}
                        {{ $of->currency->code }}{{ $of->ties() ? ', nil' : '' }}</a>
                @endforeach
            </div>
        @endif
        @if ($chosen === null)
            <div class="note">No account has the role bank. Give it to one in accounts.csv.</div>
        @elseif ($against === null)
            <div class="note">
                @if ($chosen->closing === null)
                    Account {{ $chosen->account->title() }} has no statement yet. Hand one in on Intake.
                @else
                    Account {{ $chosen->account->title() }} cannot be compared in {{ $chosen->currency->code }}: the ledger's lines give no amount in that
                    currency. Fill currency and currency_amount in ledger.csv.
                @endif
            </div>
        @else
            @include('bank.figures')
            @include('bank.movements', ['title' => 'Money in to place', 'anchor' => 'to-place', 'list' => $against->toPlace])
            @include('bank.movements', ['title' => 'Money out that the book lacks', 'anchor' => 'out', 'list' => $against->outflows])
            @include('bank.postings')
        @endif
        @include('bank.pending')
    </div>
    <aside class="pane worktop" id="worktop" aria-label="The chosen movement or posting">
        @if ($line)
            @include('bank.line')
        @elseif ($unconfirmed)
            @include('bank.posting')
        @else
            <h2 class="title">{{ $chosen?->ties() ? 'Nothing stands between bank and book' : 'Choose a movement or a posting' }}</h2>
            <p class="soft">A posting is taken for a movement where both name a document or reference and the amount agrees, however many days
                apart, or else by amount within the books' days; never two. You can always pick yourself.</p>
        @endif
    </aside>
</x-layout>
