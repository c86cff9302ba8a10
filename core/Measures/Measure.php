<?php

declare(strict_types=1);

namespace Ajuste\Core\Measures;

use Brick\Math\BigDecimal;

/** One measure with its formula and the figures that go into it. */
final readonly class Measure
{
    /**
     * @param ?BigDecimal $value with one decimal; null where there is nothing to divide by
     * @param array<string, string> $figures by name, as they are said
     */
    public function __construct(public MeasureKind $kind, public ?BigDecimal $value, public array $figures) {}
}
