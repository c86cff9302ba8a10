<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\Collectible;
use Ajuste\Core\Money\Money;

/** What can be collected under one mandate on a day. */
final readonly class DueMandate
{
    public int $mandateId;

    /**
     * @param string $whyNot nothing can be collected under it, or blank
     * @param list<Collectible> $items what is open of its customer, oldest due first
     * @param Money $unapplied of the customer, which should be matched first
     */
    public function __construct(public KeptMandate $of, public string $whyNot, public array $items, public Money $unapplied)
    {
        $this->mandateId = $of->id;
    }

    /** What can be collected of one item; null where nothing can. */
    public function collectible(int $itemId): ?Collectible
    {
        foreach ($this->taken() as $item) {
            if ($item->item->id === $itemId) {
                return $item;
            }
        }

        return null;
    }

    /** @return list<Collectible> */
    public function taken(): array
    {
        return $this->whyNot === ''
            ? array_values(array_filter($this->items, static fn (Collectible $item): bool => $item->isTaken()))
            : [];
    }
}
