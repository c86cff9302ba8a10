@php
    use Ajuste\Core\Proof\Book;
    use App\Http\Say;
@endphp
<tr data-minor="{{ array_sum(array_map(fn($line) => $line->amount, $finding->lines)) }}">
    <td><a
            href="{{ $finding->lines[0]->book === Book::Ledger ? route('posting', $finding->lines[0]->id) : route('document',
                $finding->lines[0]->id) }}">{{ ucfirst($finding->by->words()) . ($finding->note === '' ? '' : ': ' . $money((int) $finding->note)->grouped()) }}</a>
        @if ($finding->suspect)
            <span class="tag ochre">a cause of the proof</span>
        @endif
    </td>
    <td>{{ $finding->lines[0]->book === Book::Ledger ? 'ledger' : 'customers' }}</td>
    <td class="nowrap" data-sort="{{ $finding->lines[0]->date }}">{{ Say::shortDay($finding->lines[0]->date) }}</td>
    <td>
        @foreach ($finding->lines as $line)
            <a
                href="{{ $line->book === Book::Ledger ? route('posting', $line->id) : route('document',
                    $line->id) }}">{{ $line->document ?: $line->entry }}</a>
            <span class="slate">{{ $line->customer }} {{ $line->text }}</span>{{ $loop->last ? '' : ' + ' }}
        @endforeach
    </td>
    <td class="n">{{ implode(' + ', array_map(fn($line) => Say::balance($money($line->amount)), $finding->lines)) }}</td>
    <td class="n">{{ $say($found->chance[$finding->by->value]) }}</td>
</tr>
