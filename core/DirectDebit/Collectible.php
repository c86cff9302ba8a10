<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** What of an open item can be collected on a day. */
final readonly class Collectible
{
    /**
     * @param Money $amount to collect, in the item's currency; nil where nothing is
     * @param Money $discount taken along, since the money comes in time
     * @param string $why nothing is collected, or blank
     */
    private function __construct(public OpenItem $item, public Money $amount, public Money $discount, public string $why) {}

    /**
     * What is open less what is contested, and less the discount that holds on the day where all of it is collected.
     *
     * @param Money $contested in the item's currency
     * @param Money $discount that settling all of it on the day would take along
     * @param string $day of the collection: the value date of the money
     */
    public static function of(OpenItem $item, Money $contested, Money $discount, string $day): self
    {
        $nil = Money::zero($item->amount->currency);
        $free = $item->takeable->minus($contested);
        $why = match (true) {
            ! $item->isDebit() => 'it is a credit',
            $item->amount->currency->code !== DirectDebits::CURRENCY => 'debits are collected in '.DirectDebits::CURRENCY.' only',
            $item->dueDate > $day => 'due in '.Day::between($day, $item->dueDate).' days',
            ! $free->isPositive() => $contested->isPositive() ? 'contested' : 'nothing is open',
            default => '',
        };
        if ($why !== '') {
            return new self($item, $nil, $nil, $why);
        }

        return $contested->isPositive() ? new self($item, $free, $nil, '') : new self($item, $free->minus($discount), $discount, '');
    }

    public function isTaken(): bool
    {
        return $this->why === '';
    }

    /** What a receipt of it takes off the item, discount included. */
    public function settles(): Money
    {
        return $this->amount->plus($this->discount);
    }
}
