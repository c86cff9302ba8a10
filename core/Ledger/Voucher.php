<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

use Ajuste\Core\Money\Money;
use LogicException;

/** A voucher before it has a number: always balanced, each line whole minor units of base currency. */
final readonly class Voucher
{
    /**
     * @param string $date the day on which it takes effect
     * @param non-empty-list<VoucherLine> $lines
     *
     * @throws LogicException when debits and credits differ or a line is nil: the rule that made it is wrong
     */
    public function __construct(public string $date, public string $text, public array $lines)
    {
        $sum = 0;
        foreach ($lines as $line) {
            if ($line->base->isZero()) {
                throw new LogicException("A line of “{$text}” is nil.");
            }
            $sum += $line->base->minor;
        }
        if ($sum !== 0) {
            throw new LogicException("“{$text}” does not balance: {$sum} minor units are left.");
        }
    }

    /** The same accounts the other way round. */
    public function mirrored(string $date, string $text): self
    {
        return new self($date, $text, array_map(static fn (VoucherLine $line): VoucherLine => $line->reversed(), $this->lines));
    }

    /** Sum of the debits, equal to the sum of the credits. */
    public function total(): Money
    {
        $total = Money::zero($this->lines[0]->base->currency);
        foreach ($this->lines as $line) {
            $total = $total->plus($line->debit() ?? Money::zero($total->currency));
        }

        return $total;
    }

    /** What it adds to one account, signed. */
    public function effectOn(Account $account): Money
    {
        $effect = Money::zero($this->lines[0]->base->currency);
        foreach ($this->lines as $line) {
            if ($line->account->id === $account->id) {
                $effect = $effect->plus($line->base);
            }
        }

        return $effect;
    }
}
