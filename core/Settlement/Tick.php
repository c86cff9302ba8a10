<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;

/** An item that a person ticked, and how much of it is to be settled. */
final readonly class Tick
{
    /** @param  Money  $amount positive, in the item's currency */
    public function __construct(public OpenItem $item, public Money $amount) {}

    /**
     * @param string $for what it is to be taken for, or blank
     *
     * @throws Refusal when more is to be taken than is open
     */
    public function refuseMoreThanOpen(string $for = ''): void
    {
        if ($this->amount->isMoreThan($this->item->takeable)) {
            throw new Refusal(
                "{$this->item->title()}: {$this->amount->grouped()} was typed, but only {$this->item->takeable->grouped()} ".
                    "{$this->amount->currency->code} is open{$for}.",
            );
        }
    }

    public function leaves(): Money
    {
        return $this->item->takeable->minus($this->amount);
    }
}
