@php
    use Ajuste\Core\Contra\Bill;
    use App\Http\Say;
    $sent = old('pair') !== null;
@endphp
<table class="grid-table table-fixed mt-2">
    <thead>
        <tr>
            <th scope="col">{{ $title }}</th>
            <th scope="col" class="w-24">Due</th>
            <th scope="col" class="n w-28">Open</th>
            <th scope="col" class="n w-32">At most</th>
        </tr>
    </thead>
    <tbody>
        @forelse ($rows as $of)
            @php
                $isBill = $of instanceof Bill;
                $open = $isBill ? $of->open : $of->takeable;
                $limit = $most[$of->id] ?? null;
                $isTicked = $sent ? old("{$tick}.{$of->id}") !== null : !$limit?->amount->isZero();
                $typed = $sent ? old("{$amount}.{$of->id}") : ($limit && !$limit->amount->isZero() ? $limit->amount->decimal() : '');
                $says = $isBill ? ($of->isCredit ? 'Credit ' : 'Bill ') . $of->document : $of->title();
            @endphp
            <tr>
                <td>
                    <label class="inline-flex gap-2 items-center text-ink!">
                        <input type="checkbox" id="{{ $tick }}-{{ $of->id }}" name="{{ $tick }}[{{ $of->id }}]" value="1" @checked($isTicked)>
                        @if ($isBill)
                            {{ $says }}
                        @else
                            <a href="{{ route('document', $of->id) }}" tabindex="-1">{{ $says }}</a>
                        @endif
                    </label>
                    @if ($isBill && $of->blocked)
                        <span class="tag ochre">being paid already</span>
                    @endif
                    @if (!$isBill && isset($pair->contested[$of->id]))
                        <span class="tag ochre">contested {{ $pair->contested[$of->id]->grouped() }}</span>
                    @endif
                    @if ($limit && $limit->reason !== '')
                        <span class="slate">{{ $limit->reason }}</span>
                    @endif
                </td>
                <td class="soft">{{ Say::shortDay($of->dueDate) }}</td>
                <td class="n">{{ $open->grouped() }}</td>
                <td class="n"><input type="text" inputmode="decimal" name="{{ $amount }}[{{ $of->id }}]" value="{{ $typed }}"
                        data-ticks="{{ $tick }}-{{ $of->id }}" aria-label="At most of {{ $says }}" class="w-24 text-right h-6!"></td>
            </tr>
        @empty
            <tr>
                <td colspan="4" class="soft">Nothing is open.</td>
            </tr>
        @endforelse
    </tbody>
</table>
