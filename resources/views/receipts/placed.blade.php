@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $writes = Auth::user()->role->mayWrite();
@endphp
<x-layout title="Placed" station="receipts">
    <div class="pane" x-data="grid">
        <div class="flex items-baseline gap-4">
            <h1>Money that has its place</h1><a class="ml-auto" href="{{ route('receipts') }}">Receipts</a>
        </div>
        <p class="lead">The last first. What is no receipt can be taken back here; a receipt on its own page, with its matches.</p>
        <x-filter />
        <table class="grid-table mt-2" data-list data-decimals="{{ $base->decimals }}">
            <thead>
                <tr>
                    <th scope="col">
                        <button type="button">Booked</button>
                    </th>
                    <th scope="col">
                        <button type="button">Line</button>
                    </th>
                    <th scope="col" class="n">
                        <button type="button">Amount</button>
                    </th>
                    <th scope="col">
                        <button type="button">Place</button>
                    </th>
                    <th scope="col">
                        <button type="button">By</button>
                    </th>
                    <th scope="col">Take back</th>
                </tr>
            </thead>
            <tbody>
                @forelse ($placements as $row)
                    <tr data-minor="{{ $row->amount }}">
                        <td class="nowrap" data-sort="{{ $row->booking_date }}">{{ Say::shortDay($row->booking_date) }}</td>
                        <td class="clip">{{ trim("{$row->party} {$row->remittance}") ?: $row->reference }}</td>
                        <td class="n">{{ Money::ofMinor($row->amount, $row->currency)->grouped() }}</td>
                        <td class="nowrap">
                            @switch($row->kind)
                                @case('receipt')
                                    <a href="{{ route('document', $row->item_id) }}">Receipt {{ $row->document }}</a> of {{ $row->name }}
                                @break

                                @case('returned')
                                    came back: <a href="{{ route('document', $row->item_id) }}">{{ $row->document }}</a>
                                @break

                                @case('confirmed')
                                    confirms <a href="{{ route('posting', $row->posting_id) }}">{{ $row->entry }}</a>
                                @break

                                @case('accounts')
                                    to accounts: <a href="{{ route('voucher', $row->voucher_id) }}">{{ $row->reason }}</a>
                                @break

                                @case('divided')
                                    divided
                                @break

                                @default
                                    {{ $row->reason }}
                                    @endswitch @if ($row->back_at)
                                        <span class="tag ochre">taken back: {{ $row->back_reason }}</span>
                                    @endif
                                </td>
                                <td class="nowrap slate">{{ $row->who }}</td>
                                <td class="nowrap">
                                    @if ($writes && !$row->back_at && !in_array($row->kind, ['receipt', 'returned'], true))
                                        <form method="post" action="{{ route('receipts.take-back', $row->id) }}" class="flex gap-2">@csrf
                                            <input type="hidden" name="key" value="{{ $key }}-{{ $row->id }}">
                                            <input type="text" name="reason" required placeholder="reason" aria-label="Reason to take it back" class="w-28 h-6!">
                                            <button class="slate underline cursor-pointer">take back</button>
                                        </form>
                                    @endif
                                </td>
                            </tr>
                            @empty
                                <tr>
                                    <td colspan="6">Nothing is placed yet.</td>
                                </tr>
                            @endforelse
                        </tbody>
                    </table>
                    <x-table-foot name="placed" />
                    {{ $placements->links('pager') }}
                </div>
            </x-layout>
