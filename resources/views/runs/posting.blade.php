@use('App\Http\Say')
<h2 class="title">{{ ucfirst($kind->words()) }}</h2>
@if ($refusal !== '')
    <div class="note" role="alert">{{ $refusal }}</div>
@endif
@if ($vouchers > 0)
    <h2>{{ $vouchers === 1 ? 'Voucher' : "{$vouchers} vouchers" }} of {{ Say::day($run->asOf()) }}, by account</h2>
    <x-voucher :text="$kind->words()" :lines="$sums" />
@endif
