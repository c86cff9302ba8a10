<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** What of one customer is unapplied, and how much of it could be matched at once. Amounts are minor units of base currency, positive. */
final readonly class UnappliedSums
{
    /**
     * @param int $items unapplied receipts, credits, deposits, and refunds that were paid before their credit
     * @param int $credits sum of the credits
     * @param int $refunds paid before their credit
     * @param int $debits what is open on the other side, refunds included
     * @param int $matchable by currency the lesser of the two sides
     * @param string $oldest date of the oldest unapplied item, blank when there is none
     * @param string $newest when the last of them was recorded
     * @param string $words the kinds: `1 credit note, 2 receipts`
     */
    public function __construct(
        public int $items,
        public int $credits,
        public int $refunds,
        public int $debits,
        public int $matchable,
        public string $oldest,
        public string $newest,
        public string $words,
    ) {}

    /**
     * Of several customers, or parts of them; the words are left out.
     *
     * @param list<UnappliedSums> $several
     */
    public static function together(array $several): self
    {
        $sum = static fn (string $of): int => array_sum(array_column($several, $of));
        $oldest = array_filter(array_column($several, 'oldest'), static fn (string $day): bool => $day !== '');

        return new self(
            $sum('items'),
            $sum('credits'),
            $sum('refunds'),
            $sum('debits'),
            $sum('matchable'),
            $oldest === [] ? '' : min($oldest),
            max(['', ...array_column($several, 'newest')]),
            '',
        );
    }

    /** Unapplied credits less refunds that wait for theirs. */
    public function net(): int
    {
        return $this->credits - $this->refunds;
    }
}
