<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** What a receipt could settle, how that was found, and whether it is the only such. Amounts are minor units of the receipt's currency. */
final readonly class Proposal
{
    /**
     * @param list<Settles> $settles
     * @param bool $only no other set by the same way
     * @param int $difference receipt less what the items take: below zero, so much was kept back and is to be explained
     * @param int $unapplied what of the receipt stays unapplied
     */
    public function __construct(
        public Way $how,
        public array $settles,
        public bool $only,
        public Searched $searched,
        public int $difference,
        public int $unapplied,
    ) {}

    /** Instalments of one invoice as one amount of it: a match pays the oldest first. */
    public function byDocument(): self
    {
        $merged = [];
        foreach ($this->settles as $of) {
            $before = $merged[$of->item->id] ?? null;
            $merged[$of->item->id] = $before === null
                ? $of
                : new Settles($before->item, $before->amount + $of->amount, $before->discount + $of->discount);
        }

        return count($merged) === count($this->settles)
            ? $this
            : new self($this->how, array_values($merged), $this->only, $this->searched, $this->difference, $this->unapplied);
    }

    /** Quoted, or of the same amount gross or net, and the only such: nothing about it is guessed (R6). */
    public function isSure(): bool
    {
        return $this->only && in_array($this->how, [Way::Quoted, Way::Exact, Way::ExactNet], true);
    }

    /** Whether it uses the receipt up whole, and neither takes a discount nor leaves something to explain. */
    public function usesUpTheWhole(): bool
    {
        return $this->settles !== [] && ! $this->takesDiscount() && $this->difference === 0 && $this->unapplied === 0;
    }

    public function takesDiscount(): bool
    {
        return array_filter($this->settles, static fn (Settles $settles): bool => $settles->discount > 0) !== [];
    }
}
