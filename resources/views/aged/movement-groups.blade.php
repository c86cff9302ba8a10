@php
    use Ajuste\Core\Money\Money;
    use Ajuste\Core\Movement\MovementLine;
    use App\Http\Say;
@endphp
@if (count($groups) > 1)
    <h2 id="groups">By group of customers</h2>
    <p class="lead">The customers' column; the ledger knows no groups. Debit positive.</p>
    <table class="grid-table" data-decimals="{{ $base->decimals }}">
        <thead>
            <tr>
                <th scope="col">Group</th>
                @foreach ([MovementLine::Opening, ...MovementLine::moving(), MovementLine::Closing] as $line)
                    <th scope="col" class="n" title="{{ $line->words() }}">{{ $line->heading() }}</th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($groups as $of)
                <tr>
                    <td>{{ $of->group === '' ? 'no group' : $of->group }}</td>
                    <td class="n">{{ Say::balance($of->opening) }}</td>
                    @foreach ($of->moved as $line => $amount)
                        <td class="n"><a href="{{ route('movement.line', [$line, 'from' => $movement->from, 'group' => $of->group]) }}">
                                {{ Say::balance($amount) }}</a></td>
                    @endforeach
                    <td class="n font-semibold">{{ Say::balance($of->closing) }}</td>
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr class="font-semibold">
                <td>Customers</td>
                @foreach ($movement->lines as $of)
                    <td class="n">{{ Say::balance($of->customers) }}</td>
                @endforeach
            </tr>
        </tfoot>
    </table>
@endif
