<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use LogicException;

/**
 * What matches have taken of an item, as of a day's end (R1). Amounts are minor units of the item's currency, base amounts of base
 * currency.
 */
final readonly class Position
{
    /**
     * @param int $matched through the day
     * @param int $moved base moved off through the day
     * @param int $taken the most that is matched at the end of the day or of any later one: a match of the day may take what is left beside
     *                   it
     * @param int $allMatched on all days
     * @param int $allMoved base moved off on all days, from which the next match goes on
     * @param string $freeFrom the last day on which a match was taken back, blank where none was; before it less may be free than now
     *
     * @throws LogicException when one of them cannot be: whoever made it is wrong
     */
    public function __construct(
        public int $matched,
        public int $moved,
        public int $taken,
        public int $allMatched,
        public int $allMoved,
        public string $freeFrom = '',
    ) {
        if ($matched < 0 || $taken < $matched || $taken < $allMatched || $allMatched < 0) {
            throw new LogicException("An item cannot have {$matched} matched, {$taken} taken and {$allMatched} matched in all.");
        }
    }

    /** Nothing moved after the day. */
    public static function resting(int $matched, int $moved): self
    {
        return $matched === 0 && $moved === 0 ? self::untouched() : new self($matched, $moved, $matched, $matched, $moved);
    }

    /** One for all items, of which there are many. */
    public static function untouched(): self
    {
        /** @var self $untouched */
        static $untouched = new self(0, 0, 0, 0, 0);

        return $untouched;
    }
}
