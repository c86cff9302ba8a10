<?php

declare(strict_types=1);

namespace App\Actions;

use App\Actions\Receipts\DeductionEntry;

/** What a person ticked and typed. */
final readonly class MatchRequest
{
    /**
     * @param array<int, string> $typed amount as typed, by item id, in the order of the list; blank: as much as both sides allow
     * @param ?string $date null: the earliest day on which the match can take effect
     * @param list<int> $discounts items whose early payment discount is taken
     * @param list<DeductionEntry> $deductions
     * @param array<int, list<string>> $lines lines of an invoice that are meant, by item id
     * @param array<int, string> $worth what a credit in another currency is worth in that of the debits, as typed, by item id
     */
    public function __construct(public int $customerId, public array $typed, public ?string $date = null, public array $discounts = [], public array $deductions = [], public array $lines = [], public array $worth = []) {}
}
