@php
    use Ajuste\Core\Money\Money;
    use App\Http\Say;
    $money = fn(int $minor) => Money::ofMinor($minor, $base);
    $cell = fn(int $minor) => $minor === 0 ? '·' : $money($minor)->grouped();
    $with = fn(array $change) => route('aged', array_filter([...$asked, ...$change]));
    $percent = fn(int $tenths) => number_format($tenths / 10, 1) . ' %';
@endphp
<x-layout title="Aged receivables" station="aged">
    <div class="pane">
        <div class="flex flex-wrap items-baseline gap-x-4 gap-y-2">
            <h1>Aged receivables, {{ Say::day($list->asOf) }}</h1>
            <span class="slate">{{ $list->in === null ? "in {$base->code} at carrying amount" : "documents in {$base->code} alone, in it" }}</span>
            <nav class="ml-auto flex flex-wrap gap-x-3" aria-label="Beside the aged list">
                @foreach (['aged.months' => 'Twelve months', 'movement' => 'Movement', 'allowance' => 'Allowance', 'measures' => 'Measures',
                    'cash-after' => 'Cash after', 'statements' => 'Statements', 'confirmations' => 'Confirmations'] as $page => $title)
                    <a href="{{ route($page) }}">{{ $title }}</a>
                @endforeach
            </nav>
        </div>
        @include('aged.choices')
        <div x-data="grid">
            <div class="flex items-center gap-3"><x-filter />
                @if ($by === Ajuste\Core\Aging\AgedBy::Customer)
                    <a class="tag" href="{{ $with(['open' => '1']) }}" data-hotkey="o">Open all <kbd>O</kbd></a>
                    <a class="tag" href="{{ $with(['open' => null]) }}" data-hotkey="z">Close all <kbd>Z</kbd></a>
                @endif
            </div>
            @include('aged.list')
            <x-table-foot name="aged" />
        </div>
        <x-svg.age-bar :list="$list" />
        @if ($list->overdue() !== null)
            <p class="soft mt-2">Overdue {{ $percent($list->overdue()) }}; the ten largest customers owe
                {{ $percent($list->concentration(10) ?? 0) }} of what customers owe.</p>
        @endif
        @include('aged.ties')
    </div>
</x-layout>
