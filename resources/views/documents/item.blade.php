@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Subledger\Kind;
    use App\Http\Say;
    $amount = fn(int $minor) => Money::ofMinor($minor, $item->currency)->grouped();
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="{{ $item->document }}" class="halves">
    <div class="pane">
        <h1>{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</h1>
        <p class="lead"><a href="{{ route('customer', $customer->id) }}">{{ $customer->customer }} {{ $customer->name }}</a> on {{ $account->title() }}</p>
        @if ($reversal)
            <div class="note">{{ $reversal->item_id === $item->root_id ? 'Taken back' : 'Takes back' }} <a
                    href="{{ route('document', $reversal->item_id === $item->root_id ? $reversal->by_item_id : $reversal->item_id) }}">{{ $reversal->item_id === $item->root_id
                        ? 'by its counterpart' : 'this document' }}</a>
                as of {{ Say::day($reversal->date) }}, {{ $reversal->who }}: {{ $reversal->reason }}</div>
        @endif
        <div class="pairbox">
            <div>
                <div class="soft">{{ $item->side === 'debit' ? 'Debit' : 'Credit' }}</div>
                <div class="figure">{{ $amount($item->amount) }} {{ $item->currency }}</div>
                @if ($item->currency !== $base->code)
                    <div class="slate">{{ $money($item->base)->grouped() }} {{ $base->code }}</div>
                @endif
            </div>
            <div>
                <div class="soft">Open, all matches counted</div>
                <div class="figure">{{ $amount($item->amount - $position->matched) }} {{ $item->currency }}</div>
                @if ($position->settled_on)
                    <div class="slate">settled {{ Say::day($position->settled_on) }}</div>
                @elseif ($item->currency !== $base->code)
                    <div class="slate">carries {{ $money($item->base - $position->moved)->grouped() }} {{ $base->code }}</div>
                @endif
            </div>
        </div>
        <dl class="facts mt-4">
            <dt>Dated</dt>
            <dd>{{ Say::day($item->date) }}</dd>
            <dt>Due</dt>
            <dd>{{ Say::day($item->due_date) }}</dd>
            @foreach (['reference' => 'Reference', 'terms' => 'Terms', 'entry' => 'Ledger entry', 'batch' => 'Batch'] as $field => $name)
                @if ($item->$field !== '')
                    <dt>{{ $name }}</dt>
                    <dd>{{ $item->$field }}</dd>
                @endif
            @endforeach
            @if ($voucher)
                <dt>Posted here by</dt>
                <dd><a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a></dd>
            @endif
        </dl>
        @foreach ($contested as $part)
            <div class="note"><b>{{ $part->amount->grouped() }} {{ $part->amount->currency->code }}</b> is contested since {{ Say::day($part->since) }}:
                {{ $part->reason }}. It stays open here; {{ $part->owner }} looks after it.
                @if ($writes)
                    <form method="post" action="{{ route('contested.end', $part->id) }}" class="flex gap-3 mt-1 items-center">@csrf
                        <input type="hidden" name="key" value="{{ $key }}">
                        <input type="hidden" name="date" value="{{ $today }}">
                        <label>No longer
                            contested, because <input type="text" name="reason" required placeholder="paid, accepted, withdrawn" class="w-48"></label>
                        <button class="button py-0.5!">End</button>
                    </form>
                @endif
            </div>
        @endforeach
        @include('documents.discount')
        @include('documents.money')
        @include('documents.actions')
        @includeWhen($isInvoice && !$reversal, 'customers.credit', ['onlyOf' => $item->root_id])
        <h2>Matches</h2>
        <x-matches :matches="$matches" :base="$base" :item="$item->root_id" :line-key="$writes ? $key : null" :date="$today" />
        @include('documents.lines')
    </div>
    <aside class="pane worktop" aria-label="In the ledger">
        @include('documents.ledger')
        <h2>Notes</h2>
        <x-notes :subject="'item ' . $item->root_id" />
        <x-questions :subject="'item ' . $item->root_id" />
        <h2>History</h2>
        <table class="grid-table table-auto">
            <tbody>
                @foreach ($history as $entry)
                    <tr>
                        <td class="nowrap slate align-top">{{ Say::moment($entry->at) }}</td>
                        <td>
                            @if ($entry->opens)
                                <a href="{{ route(...$entry->opens) }}">{{ $entry->words }}</a>
                            @else
                                {{ $entry->words }}
                            @endif <span class="slate">{{ $entry->who }}</span>
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <x-source-row :source="$source" />
    </aside>
</x-layout>
