@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Refunds" station="unapplied">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Refunds</h1><a class="ml-auto" href="{{ route('unapplied') }}">Unapplied</a>
        </div>
        <p class="lead">A credit is paid back from its own page. Transfers wait here until the bank is asked for them; its statement then clears what is in
            transit.</p>
        <div class="flex items-center gap-4"><x-filter />
            @if ($writes && $waiting !== [])
                <form method="post" action="{{ route('refunds.order') }}" class="ml-auto">@csrf
                    <input type="hidden" name="key" value="{{ $key }}">
                    <button class="button main" data-main>Order {{ Say::count(count($waiting), 'transfer') }} from the bank
                        <kbd>Ctrl ↵</kbd></button>
                </form>
            @endif
        </div>
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}" @if ($window->isPart) data-window @endif>
            <thead>
                <tr>
                    <th scope="col" data-order="refund">
                        <button type="button">Refund</button>
                    </th>
                    <th scope="col" data-order="dated">
                        <button type="button">Dated</button>
                    </th>
                    <th scope="col" data-order="to">
                        <button type="button">To</button>
                    </th>
                    <th scope="col" data-order="pays back">
                        <button type="button">Pays back</button>
                    </th>
                    <th scope="col" data-order="by">
                        <button type="button">By</button>
                    </th>
                    <th scope="col" class="n" data-order="amount">
                        <button type="button">Amount</button>
                    </th>
                    <th scope="col">
                        <button type="button">State</button>
                    </th>
                    <th scope="col">Take back</th>
                </tr>
            </thead>
            <tbody id="refund-rows">
                @fragment('rows')
                    @forelse ($window->rows as $refund)
                        <tr data-minor="{{ $refund->paid }}">
                            <td><a href="{{ route('document', $refund->item_id) }}">{{ $refund->document }}</a> <a class="slate"
                                    href="{{ route('refunds.paper', $refund->item_id) }}" hx-boost="false">PDF</a></td>
                            <td class="nowrap" data-sort="{{ $refund->date }}">{{ Say::shortDay($refund->date) }}</td>
                            <td>{{ $refund->payee }} <span class="slate">{{ $refund->iban }}</span></td>
                            <td>
                                @if ($refund->credit_item_id)
                                    <a href="{{ route('document', $refund->credit_item_id) }}">{{ $refund->credit }}</a>,
                                @else
                                    <span class="slate">before its
                                        credit note,</span>
                                @endif{{ $refund->reason }}
                            </td>
                            <td>{{ $refund->way }}</td>
                            <td class="n" data-sort="{{ $refund->paid }}">{{ Money::ofMinor($refund->paid, $refund->currency)->grouped() }}
                                {{ $refund->currency }}</td>
                            <td>
                                @if ($refund->back_reason)
                                    <span class="tag ochre">taken back: {{ $refund->back_reason }}</span>
                                @elseif ($refund->confirmed)
                                    <span class="tag green">paid, the statement confirms it</span>
                                @elseif ($refund->status === 'rejected')
                                    <span class="tag ochre">the bank refused: {{ $refund->why }}</span>
                                @elseif ($refund->order_id)
                                    <a href="{{ route('payment-order', [$refund->order_id, 'order']) }}" hx-boost="false"><span class="tag">with the
                                            bank</span></a>
                                @elseif ($refund->way === 'transfer' && !$refund->approved_by)
                                    <span class="tag ochre">
                                        @if ($refund->iban_changed_at !== '')
                                            account number new since {{ Say::day(substr($refund->iban_changed_at, 0, 10)) }}:
                                        @endif
                                        waits for the reviewer
                                    </span>
                                    @if (Auth::user()->mayReview() && Auth::user()->name !== $refund->who)
                                        <form method="post" action="{{ route('refunds.approve', $refund->id) }}" class="inline">@csrf
                                            <input type="hidden" name="key" value="{{ $key }}-ok-{{ $refund->id }}">
                                            <button class="button py-0.5!">Approve
                                                {{ $refund->document }}</button>
                                        </form>
                                    @endif
                                @else
                                    <span class="tag">{{ $refund->way === 'transfer' ? 'to be ordered' : 'in transit' }}</span>
                                @endif
                            </td>
                            <td class="nowrap">
                                @if ($writes && !$refund->back_reason && !$refund->confirmed)
                                    <a href="{{ route('document.reverse', $refund->item_id) }}">Take back</a>
                                @endif
                            </td>
                        </tr>
                    @empty
                        <tr>
                            <td colspan="8">{{ $none }}</td>
                        </tr>
                    @endforelse
                    <x-more-rows :from="$window->next" :total="$window->count" />
                @endfragment
            </tbody>
        </table>
        <x-table-foot name="refunds" />
    </div>
</x-layout>
