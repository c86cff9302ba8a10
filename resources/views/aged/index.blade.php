@use('Ajuste\Core\Calendar\AgedBasis')
@php
    use Ajuste\Core\Aging\AgedBy;
    use Ajuste\Core\Aging\Credits;
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $cell = fn(int $minor) => $minor === 0 ? '·' : $money($minor)->grouped();
    $words = fn(string $label) => $label === 'not_due' ? 'Not due' : ucfirst(str_replace(['_', '-'], [' ', '–'], $label));
    $with = fn(array $change) => route('aged', array_filter([...$asked, ...$change]));
    $percent = fn(int $tenths) => number_format($tenths / 10, 1) . ' %';
    $difference = $list->difference($figures->control);
@endphp
<x-layout title="Aged receivables" station="aged">
    <div class="pane">
        <div class="flex items-baseline gap-4">
            <h1>Aged receivables, {{ Say::day($list->asOf) }}</h1>
            <span class="slate">in {{ $base->code }} at carrying amount</span>
        </div>
        <div class="flex flex-wrap gap-2 items-center my-3">
            <a class="tag" href="{{ $with(['basis' => 'due']) }}" @if ($list->buckets->basis === AgedBasis::DueDate) aria-current="true" @endif>By due date</a>
            <a class="tag" href="{{ $with(['basis' => 'document']) }}" @if ($list->buckets->basis === AgedBasis::DocumentDate) aria-current="true" @endif>By document date</a>
            <span class="w-2"></span>
            @foreach (Credits::cases() as $way)
                <a class="tag" href="{{ $with(['credits' => $way->value]) }}"
                    @if ($list->credits === $way) aria-current="true" @endif>{{ $way->words() }}</a>
            @endforeach
            <span class="w-2"></span>
            @foreach (AgedBy::cases() as $way)
                <a class="tag" href="{{ $with(['by' => $way->value]) }}"
                    @if ($by === $way) aria-current="true" @endif>by {{ $way->value }}</a>
            @endforeach
            <form action="{{ route('aged') }}" class="flex gap-2 items-center ml-2">
                @foreach ($asked as $name => $value)
                    @if (!in_array($name, ['buckets', 'compare'], true))
                        <input type="hidden" name="{{ $name }}" value="{{ $value }}">
                    @endif
                @endforeach
                <label>Columns end at <input type="text" name="buckets" value="{{ implode(',', $list->buckets->edges) }}" class="w-24"></label> <span
                    class="slate">days</span>
                <label>Compare with <x-day name="compare" :value="$compared" data-hotkey="c" /></label>
                <button class="button py-0.5!">Show</button>
            </form>
            <a class="tag ml-auto" href="{{ route('aged.months') }}">Twelve months</a>
            <a class="tag" href="{{ route('movement') }}">Movement</a><a class="tag" href="{{ route('allowance') }}">Allowance</a>
            <a class="tag" href="{{ route('measures') }}">Measures</a><a class="tag" href="{{ route('cash-after') }}">Cash after</a>
            <a class="tag" href="{{ route('statements') }}">Statements</a><a class="tag" href="{{ route('confirmations') }}">Confirmations</a>
            <a class="tag" hx-boost="false" href="{{ route('aged.paper', $asked) }}">PDF</a>
            <a class="tag" hx-boost="false" href="{{ route('aged.export', ['format' => 'csv', ...$asked]) }}">CSV</a><a class="tag" hx-boost="false"
                href="{{ route('aged.export', ['format' => 'xlsx', ...$asked]) }}">XLSX</a>
        </div>
        <div x-data="grid">
            <x-filter />
            @include('aged.list')
            <x-table-foot name="aged" />
        </div>
        <x-svg.age-bar :list="$list" />
        @if ($list->overdue() !== null)
            <p class="soft mt-2">Overdue {{ $percent($list->overdue()) }}; the ten largest customers owe
                {{ $percent($list->concentration(10) ?? 0) }} of what customers owe.</p>
        @endif
        <p class="mt-3">List total <b class="text-lg">{{ Say::balance($money($list->totals->total)) }}</b> &nbsp; Control account
            {{ $figures->account->number }} <b class="text-lg">{{ Say::balance($figures->control) }}</b> &nbsp;
            @if ($difference->isZero())
                <span class="tag green">ties</span>
            @else
                <a class="text-madder" href="{{ route('proof') }}">does not tie by
                    <b>{{ $difference->abs()->grouped() }}</b>, see the causes in Proof</a>
            @endif
        </p>
    </div>
</x-layout>
