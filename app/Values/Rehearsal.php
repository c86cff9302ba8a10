<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\RefusalKind;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\Tick;

/** Something while it is being put together: what it takes of each item, what is still to be placed, and the plan once it can be posted. */
final readonly class Rehearsal
{
    /**
     * @param list<Tick> $ticks what each item takes
     * @param ?ReceiptSettlement $shares null while nothing is ticked, or it cannot be read
     * @param ?string $refusal why it cannot be posted as it stands
     */
    private function __construct(
        public array $ticks,
        public ?ReceiptSettlement $shares,
        public ?PostingPlan $plan,
        public ?string $refusal,
        public ?RefusalKind $kind,
    ) {}

    /** @param  list<Tick>  $ticks */
    public static function of(PostingPlan $plan, array $ticks = [], ?ReceiptSettlement $shares = null): self
    {
        return new self($ticks, $shares, $plan, null, null);
    }

    /** @param  list<Tick>  $ticks */
    public static function refused(string $why, RefusalKind $kind, array $ticks = [], ?ReceiptSettlement $shares = null): self
    {
        return new self($ticks, $shares, null, $why, $kind);
    }

    public static function nothing(): self
    {
        return new self([], null, null, null, null);
    }

    /** What is still to be placed; null while nothing is ticked. */
    public function remainder(): ?Money
    {
        return $this->shares?->toExplain;
    }

    /** What leaves the debits, in their currency; nil while nothing is ticked. */
    public function settled(): ?Money
    {
        if ($this->shares === null) {
            return null;
        }
        $takes = [];
        foreach ($this->ticks as $tick) {
            if ($tick->item->isDebit() && isset($this->shares->takes[$tick->item->id])) {
                $takes[] = $this->shares->takes[$tick->item->id];
            }
        }

        return Money::sum($takes, $this->shares->toExplain->currency);
    }

    /** Names the plan, so that posting can tell whether the books have moved since. */
    public function digest(): string
    {
        return $this->plan?->digest() ?? '';
    }
}
