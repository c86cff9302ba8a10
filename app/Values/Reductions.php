<?php

declare(strict_types=1);

namespace App\Values;

/** What a person takes off invoices beside money, and which lines of them alone are meant. */
final readonly class Reductions
{
    /**
     * @param list<int> $discounts items whose early payment discount is taken
     * @param list<DeductionEntry> $deductions
     * @param array<int, list<string>> $lines of an invoice that are meant, by item id
     */
    public function __construct(public array $discounts = [], public array $deductions = [], public array $lines = []) {}
}
