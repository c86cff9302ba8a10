@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Subledger\Kind;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
@endphp
<x-layout title="Entry {{ $posting->entry }}" class="halves">
    <div class="pane">
        <h1>Entry {{ $posting->entry }}</h1>
        <p class="lead">{{ Say::day($posting->date) }}, {{ $posting->description }}. @if ($voucher)
                Posted here as <a href="{{ route('voucher', $voucher->id) }}">{{ $voucher->number }}</a>.
            @endif
        </p>
        <table class="grid-table">
            <thead>
                <tr>
                    <th scope="col">Account</th>
                    <th scope="col">Document</th>
                    <th scope="col" class="n">Debit</th>
                    <th scope="col" class="n">Credit</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($entry as $line)
                    <tr @class(['current' => $line->id === $posting->id])>
                        <td><a
                                href="{{ route('account', $accounts->withId($line->account_id)->number) }}">{{ $accounts->withId($line->account_id)->title() }}</a>
                        </td>
                        <td>{{ $line->document }}</td>
                        <td class="n">{{ $line->base > 0 ? $money($line->base)->grouped() : '' }}</td>
                        <td class="n">{{ $line->base < 0 ? $money(-$line->base)->grouped() : '' }}</td>
                    </tr>
                @endforeach
            </tbody>
            <tfoot>
                <tr>
                    <td colspan="2">{{ Say::count((int) $sums->lines, 'line') }}</td>
                    <td class="n">{{ $money((int) $sums->debits)->grouped() }}</td>
                    <td class="n">{{ $money((int) $sums->credits)->grouped() }}</td>
                </tr>
            </tfoot>
        </table>
        <x-source-row :source="$source" />
    </div>
    <aside class="pane worktop" aria-label="With the customer">
        <h2>With the customer</h2>
        <table class="grid-table">
            <tbody>
                @forelse ($items as $item)
                    <tr>
                        <td><a href="{{ route('document', $item->root_id) }}">{{ ucfirst(Kind::from($item->kind)->words()) }} {{ $item->document }}</a></td>
                        <td>{{ Say::day($item->date) }}</td>
                        <td class="n">{{ $money($item->base)->grouped() }} {{ $item->side === 'debit' ? 'Dr' : 'Cr' }}</td>
                    </tr>
                @empty
                    <tr>
                        <td>{{ $posting->document === '' ? 'The posting names no document.' : "No customer's document bears {$posting->document}." }}</td>
                    </tr>
                @endforelse
            </tbody>
        </table>
    </aside>
</x-layout>
