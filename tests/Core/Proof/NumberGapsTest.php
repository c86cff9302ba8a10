<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\NumberGaps;
use PHPUnit\Framework\TestCase;

final class NumberGapsTest extends TestCase
{
    public function test_what_is_missing_from_a_series(): void
    {
        $numbers = array_map(static fn (int $n): string => sprintf('F26%05d', $n), [...range(1, 12), ...range(15, 20), 22]);
        self::assertSame([['F2600013', 'F2600014', 2], ['F2600021', 'F2600021', 1]], NumberGaps::in($numbers));
        // Few documents are no series, a new year starts another, and a hole larger than the series is none.
        self::assertSame([], NumberGaps::in(['A1', 'A3', 'A9', 'no number', '']));
        self::assertSame([], NumberGaps::in([...array_map(static fn (int $n): string => "I-{$n}", range(10, 20)), 'I-90']));
        self::assertSame([['7', '7', 1]], NumberGaps::in(['1', '2', '3', '4', '5', '6', '8', '9']));
    }
}
