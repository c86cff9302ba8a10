@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
@endphp
<x-paper title="Refund {{ $refund->document }}">
    <x-letterhead />
    <h1>Refund {{ $refund->document }}</h1>
    <p>{{ $refund->payee }}@if ($refund->iban !== '')
            <br><span class="soft">{{ $refund->iban }}</span>
        @endif
    </p>
    <table>
        <tbody>
            <tr>
                <td>Pays back</td>
                <td>{{ $refund->credit === null ? 'What will be credited' : ucfirst(str_replace('_', ' ', $refund->credit_kind)) . ' ' . $refund->credit }}</td>
            </tr>
            <tr>
                <td>Because</td>
                <td>{{ $refund->reason }}</td>
            </tr>
            <tr>
                <td>Dated</td>
                <td>{{ Say::day($refund->date) }}</td>
            </tr>
            <tr>
                <td>By</td>
                <td>{{ $refund->way }}</td>
            </tr>
            <tr>
                <td><b>Amount</b></td>
                <td><b>{{ Money::ofMinor($refund->paid, $refund->currency)->grouped() }} {{ $refund->currency }}</b></td>
            </tr>
        </tbody>
    </table>
    <p class="soft">Posted by {{ $refund->who }}.@if ($refund->approved_by)
            Approved by {{ $refund->approved_by }}.
        @endif
    </p>
</x-paper>
