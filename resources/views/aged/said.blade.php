@php
    use Ajuste\Core\Aging\AgedBy;
    use App\Http\CreditWords;
    $watch = $watches[$ids[$row->customer] ?? 0] ?? null;
    $said = match ($by) {
        AgedBy::Customer => CreditWords::of($watch),
        AgedBy::Document => CreditWords::of($watch?->ofItem($each->itemId)),
        default => [],
    };
@endphp
@if ($said !== [])
    <span class="tag ochre" title="{{ implode('; ', $said) }}">{{ $said[0] }}</span>
@endif
