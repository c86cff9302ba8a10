<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Customer;
use App\Models\Item;
use App\Models\Posting;
use App\Models\Voucher;
use Illuminate\Support\Collection;

/** What a search found. */
final readonly class Found
{
    /**
     * @param Collection<int, Item> $items
     * @param Collection<int, Customer> $customers
     * @param Collection<int, Voucher> $vouchers
     * @param Collection<int, Posting> $postings
     * @param list<array{StatementLine, ?int}> $money each with the document that it became
     * @param ?string $only where to go when there is one answer
     */
    public function __construct(
        public Collection $items,
        public Collection $customers,
        public Collection $vouchers,
        public Collection $postings,
        public array $money,
        public ?string $only = null,
    ) {}

    public function isEmpty(): bool
    {
        return $this->items->isEmpty() &&
            $this->customers->isEmpty() &&
            $this->vouchers->isEmpty() &&
            $this->postings->isEmpty() &&
            $this->money === [];
    }
}
