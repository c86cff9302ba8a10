<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** The place that a person gives to what a receipt and its items leave over (R3, R5). Without one it is still to be explained. */
enum RestPlace: string
{
    /** The customer paid more: it stays unapplied on the account. */
    case Unapplied = 'unapplied';

    /** The customer paid for something that is not invoiced yet. */
    case Deposit = 'deposit';

    /** The customer paid in part: the last item ticked stays open with it. */
    case StaysOpen = 'stays_open';

    public function takesSurplus(): bool
    {
        return $this !== self::StaysOpen;
    }
}
