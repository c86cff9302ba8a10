@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Subledger\Kind;
    use Ajuste\Core\Subledger\Side;
    use App\Http\Say;
    $at = app(App\Http\ViewPoint::class);
@endphp
<x-layout title="{{ $customer->name }}" class="halves">
    <div class="pane" x-data="grid">
        <h1>{{ $customer->name }}</h1>
        <p class="lead">{{ $customer->customer }}{{ in_array($customer->trading_name, ['', $customer->name], true) ? ''
            : ", trading as {$customer->trading_name}" }}. Balance as of {{ Say::day($at->asOf) }} <b class="text-ink">{{ Say::balance($balance) }}</b>. @if ($open !== [])
                    <a href="{{ route('unapplied', ['customer' => $customer->id]) }}">Match</a>
                @endif
                @if (Auth::user()->role->mayWrite())
                    <a href="{{ route('credit-note', $customer->id) }}">Credit note</a>
                @endif
                @if (Auth::user()->role->mayWrite())
                    <a href="{{ route('irrecoverable', $customer->id) }}">Irrecoverable</a>
                @endif
                <a hx-boost="false" href="{{ route('statement', $customer->id) }}">Statement, PDF</a>
                @includeWhen(Auth::user()->role->mayWrite(), 'customers.send-statement')
        </p>
        <x-svg.balance :picture="$picture" />
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="2">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Document</button>
                    </th>
                    <th scope="col">
                        <button type="button">Dated</button>
                    </th>
                    <th scope="col">
                        <button type="button">Due</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Debit</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Credit</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Open</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Balance</button>
                    </th>
                </tr>
            </thead>
            <tbody>
                @forelse ($items as $item)
                    @php $text = Money::ofMinor($item->amount, $item->currency)->grouped().($item->currency === $base->code ? '' : ' '.$item->currency); @endphp
                    <tr data-minor="{{ ($item->side === 'debit' ? 1 : -1) * $item->base }}">
                        <td><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</a></td>
                        <td data-sort="{{ $item->date }}">{{ Say::day($item->date) }}</td>
                        <td data-sort="{{ $item->due_date }}">{{ Say::day($item->due_date) }}</td>
                        <td class="n">{{ $item->side === 'debit' ? $text : '' }}</td>
                        <td class="n">{{ $item->side === 'credit' ? $text : '' }}</td>
                        <td class="n" data-sort="{{ ($openById[$item->root_id] ?? null)?->open->minor ?? 0 }}">
                            {{ ($openById[$item->root_id] ?? null)?->open->grouped() }}</td>
                        <td class="n nowrap slate" data-sort="{{ $item->balance_after }}">
                            {{ Say::balance(Money::ofMinor((int) $item->balance_after, $base)) }}</td>
                    </tr>
                @empty
                    <tr>
                        <td colspan="7">No item as of this day.</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
        <x-table-foot name="customer" />
        {{ $items->links('pager') }}
    </div>
    <aside class="pane worktop" aria-label="Open items">
        @foreach ($aged->rows as $row)
            <p class="flex items-center gap-3"><x-svg.age-strip :row="$row" /><span class="soft">{{ $row->currency }}: @foreach ($aged->buckets->labels as $column => $label)
                        @if ($row->amounts[$column] !== 0)
                            {{ lcfirst(Say::bucket($label)) }}:
                            {{ Money::ofMinor($row->amounts[$column], $base)->grouped() }}{{ $loop->last ? '' : ' · ' }}
                        @endif
                    @endforeach
                    @if ($row->unapplied !== 0)
                        unapplied {{ Money::ofMinor($row->unapplied, $base)->grouped() }}
                    @endif
                </span>
            </p>
        @endforeach
        @include('customers.open')
        @include('customers.about')
        @include('customers.credit')
        @if ($messages->isNotEmpty())
            <h2>Sent</h2>
            <table class="grid-table">
                <tbody>
                    @foreach ($messages as $message)
                        <tr>
                            <td><a href="{{ route('outbox.message', $message->id) }}" hx-boost="false">{{ $message->subject }}</a></td>
                            <td class="nowrap slate">{{ Say::moment($message->recorded_at) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        <h2>Notes</h2>
        <x-notes :subject="'customer ' . $customer->id" />
        <x-questions :subject="'customer ' . $customer->id" />
    </aside>
</x-layout>
