<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Subledger\OpenItem;
use App\Queries\Contested;
use App\Queries\DeductionReasons;
use App\Queries\DiscountOffers;
use App\Queries\InstalmentPlans;
use App\Queries\InvoiceLines;

/** What is to be known of items beside their amounts: what is contested, decided, and of which lines they are made. */
final readonly class ItemMarks
{
    public function __construct(
        private Contested $contested,
        private DiscountOffers $offers,
        private DeductionReasons $reasons,
        private InvoiceLines $invoiceLines,
        private InstalmentPlans $instalments,
    ) {}

    /**
     * @param list<OpenItem> $items
     * @return array<string, mixed>
     */
    public function of(array $items, string $asOf): array
    {
        return [
            'reasons' => $this->reasons->all(),
            'contested' => $this->contested->of($items, $asOf),
            'decisions' => $this->offers->decisions($items),
            'itemLines' => null,
            'instalments' => $this->instalments->openOf($items),
        ];
    }

    /**
     * With the lines that they are made of.
     *
     * @param list<OpenItem> $items
     * @return array<string, mixed>
     */
    public function withLines(array $items, string $asOf): array
    {
        return [...$this->of($items, $asOf), 'itemLines' => $this->invoiceLines->described($items)];
    }
}
