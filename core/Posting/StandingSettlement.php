<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** A settlement of the books with all of it that stands: what taking it back undoes. */
final readonly class StandingSettlement
{
    /**
     * @param list<StandingMatch> $matches
     * @param list<StandingVoucher> $vouchers that it caused
     * @param array<int, int> $contested keys of the amounts that it left contested, with the items that they are of
     */
    public function __construct(
        public int $id,
        public string $date,
        public array $matches,
        public array $vouchers,
        public array $contested,
    ) {}

    public function touches(int $itemId): bool
    {
        return array_filter($this->matches, static fn (StandingMatch $match): bool => $match->touches($itemId)) !== [];
    }

    /**
     * What goes back with an invoice: its own lines, and the vouchers whose credits only it used. What the settlement did with other items
     * stays. Where a voucher is of several items at once, or of exchange differences, which belong to pairs, all of it goes back.
     *
     * @param int $itemId a debit
     */
    public function of(int $itemId): self
    {
        $vouchers = [];
        foreach ($this->vouchers as $voucher) {
            $users = [];
            foreach ($voucher->items as $made) {
                if ($made->item->kind->correctsBaseOnly()) {
                    return $this;
                }
                foreach ($this->matches as $match) {
                    $match->credit === $made->item->id && ($users[$match->debit] = true);
                }
            }
            if ($users === [] || (isset($users[$itemId]) && count($users) > 1)) {
                return $this;
            }
            if (isset($users[$itemId])) {
                $vouchers[] = $voucher;
            }
        }

        return new self(
            $this->id,
            $this->date,
            array_values(array_filter($this->matches, static fn (StandingMatch $match): bool => $match->touches($itemId))),
            $vouchers,
            array_filter($this->contested, static fn (int $item): bool => $item === $itemId),
        );
    }
}
