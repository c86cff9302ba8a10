@php
    use Ajuste\Core\Calendar\Day;
    use Ajuste\Core\DirectDebit\DirectDebits;
    use Ajuste\Core\Money\Currency;
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $ticked = array_filter($due, fn($line) => $line->ticked);
    $payers = array_unique(array_map(fn($line) => $line->of->of->id, $ticked));
    $sum = Money::sum(array_values(array_map(fn($line) => $line->item->amount, $ticked)), Currency::of(DirectDebits::CURRENCY));
    $unapplied = array_filter($ticked, fn($line) => $line->of->unapplied->isPositive());
@endphp
<div id="chosen">
    <p class="lead">{{ Say::count(count($payers), 'debit') }} for {{ Say::count(count($ticked), 'item') }}. Each payer is told by
        {{ Say::day(Day::plus($form->day, -$days)) }}, {{ $days }} days before.</p>
    @foreach (array_column(array_map(fn($line) => [$line->of->of->customer->name, $line->of->unapplied], $unapplied), 1, 0) as $name => $credits)
        <div class="note">{{ $name }} has {{ $credits->grouped() }} unapplied. Match it first, or the customer pays twice.</div>
    @endforeach
    <div class="foot">
        <button class="button main" data-main @disabled($ticked === [])>
            @if ($ticked === [])
                Nothing is ticked
            @else
                Prepare {{ Say::count(count($payers), 'debit') }}, {{ $sum->grouped() }} {{ $sum->currency->code }}
            @endif <kbd>Ctrl ↵</kbd>
        </button>
    </div>
</div>
