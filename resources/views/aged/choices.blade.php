@php
    use Ajuste\Core\Aging\AgedBy;
    use Ajuste\Core\Aging\Credits;
    use Ajuste\Core\Calendar\AgedBasis;
@endphp
<div class="flex flex-wrap gap-2 items-center mt-3">
    <a class="tag" href="{{ $with(['basis' => 'due']) }}" @if ($list->buckets->basis === AgedBasis::DueDate) aria-current="true" @endif>By due date</a>
    <a class="tag" href="{{ $with(['basis' => 'document']) }}" @if ($list->buckets->basis === AgedBasis::DocumentDate) aria-current="true" @endif>By document date</a>
    <span class="w-2"></span>
    @foreach (Credits::cases() as $way)
        <a class="tag" href="{{ $with(['credits' => $way->value]) }}"
            @if ($list->credits === $way) aria-current="true" @endif>{{ $way->words() }}</a>
    @endforeach
    @if (count($currencies) > 1)
        <span class="w-2"></span>
        <a class="tag" href="{{ $with(['in' => null]) }}" @if ($list->in === null) aria-current="true" @endif>all, in {{ $currencies[0] }}</a>
        @foreach ($currencies as $code)
            <a class="tag" href="{{ $with(['in' => $code]) }}" title="documents in {{ $code }} alone, in it"
                @if ($list->in === $code) aria-current="true" @endif>{{ $code }}</a>
        @endforeach
    @endif
</div>
<div class="flex flex-wrap gap-2 items-center mt-2 mb-3">
    @foreach (AgedBy::cases() as $way)
        <a class="tag" href="{{ $with(['by' => $way->value]) }}" @if ($by === $way) aria-current="true" @endif>by {{ $way->words() }}</a>
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
    <span class="ml-auto flex gap-2">
        <a class="tag" hx-boost="false" href="{{ route('aged.paper', $asked) }}">PDF</a>
        <a class="tag" hx-boost="false" href="{{ route('aged.export', ['format' => 'csv', ...$asked]) }}">CSV</a>
        <a class="tag" hx-boost="false" href="{{ route('aged.export', ['format' => 'xlsx', ...$asked]) }}">XLSX</a>
    </span>
</div>
