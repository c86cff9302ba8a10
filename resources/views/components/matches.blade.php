@props(['matches', 'base', 'item' => 0, 'lineKey' => null, 'date' => ''])
@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<table class="grid-table">
    <thead>
        <tr>
            <th scope="col">Effective</th>
            <th scope="col">Debit</th>
            <th scope="col">Credit</th>
            <th scope="col" class="n">Amount</th>
            <th scope="col" class="n">Moved in {{ $base->code }}</th>
            <th scope="col">How</th>
        </tr>
    </thead>
    <tbody>
        @forelse ($matches as $match)
            <tr>
                <td class="nowrap">{{ Say::day($match->date) }}</td>
                <td>
                    @if ($match->debit_item_id === $item)
                        {{ $match->debit_document }}
                    @else
                        <a href="{{ route('document', $match->debit_item_id) }}">{{ $match->debit_document }}</a>
                    @endif <span class="slate">{{ str_replace('_', ' ', $match->debit_kind) }}</span>
                </td>
                <td>
                    @if ($match->credit_item_id === $item)
                        {{ $match->credit_document }}
                    @else
                        <a href="{{ route('document', $match->credit_item_id) }}">{{ $match->credit_document }}</a>
                    @endif <span class="slate">{{ str_replace('_', ' ', $match->credit_kind) }}</span>
                </td>
                <td class="n">
                    {{ $match->amount === 0 ? 'base only' : Money::ofMinor($match->amount, $match->currency)->grouped() . ' ' . $match->currency }}
                </td>
                <td class="n">{{ Money::ofMinor($match->debit_base, $base)->grouped() }}@if ($match->debit_base !== $match->credit_base)
                        / {{ Money::ofMinor($match->credit_base, $base)->grouped() }}
                    @endif
                </td>
                <td>
                    @if ($match->settlement_id)
                        <a href="{{ route('match', $match->settlement_id) }}">match {{ $match->settlement_id }}</a>, {{ $match->who }}
                    @elseif ($match->import_file_id)
                        imported
                    @else
                        by a reversal
                    @endif
                    @if ($match->reversed_on)
                        <br><span class="tag ochre">reversed {{ Say::day($match->reversed_on) }}</span> {{ $match->reason }}, {{ $match->reversed_by }}
                    @elseif ($lineKey && $match->amount > 0 && ($match->settlement_id || $match->import_file_id))
                        <details class="inline-block">
                            <summary class="cursor-pointer slate">reverse this line</summary>
                            <form method="post" action="{{ route('match.line.reverse', $match->id) }}" class="flex gap-2 items-center">@csrf
                                <input type="hidden" name="key" value="{{ $lineKey }}-{{ $match->id }}">
                                <x-day name="date" :value="max($date, $match->date)" aria-label="As of" />
                                <input type="text" name="reason" required placeholder="reason" aria-label="Reason to reverse this line" class="w-32">
                                <button class="button py-0.5!">Reverse</button>
                            </form>
                        </details>
                    @endif
                </td>
            </tr>
            @empty
                <tr>
                    <td colspan="6">No match.</td>
                </tr>
            @endforelse
        </tbody>
    </table>
