<?php

declare(strict_types=1);

namespace App\Values;

/** What a person takes off invoices beside money, and which lines or instalments of them are meant. */
final readonly class Reductions
{
    /**
     * @param list<int> $discounts items whose early payment discount is taken
     * @param list<DeductionEntry> $deductions
     * @param array<int, list<string>> $lines of an invoice that are meant, by item id
     * @param array<int, string> $instalments due date of the one that is meant, by item id
     */
    public function __construct(
        public array $discounts = [],
        public array $deductions = [],
        public array $lines = [],
        public array $instalments = [],
    ) {}
}
