<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** A statement of one bank account, a notification, which has no balances, or a report of what is only pending. */
final readonly class BankStatement
{
    /**
     * @param list<BankEntry> $entries booked, all in the account's currency
     * @param ?BankBalance $opening null for a notification or report, and so is closing
     * @param list<BankLine> $pending not money yet: shown, never posted
     *
     * @throws Refusal when opening + entries is not closing; the three figures are named
     */
    public function __construct(
        public string $account,
        public Currency $currency,
        public string $number,
        public array $entries,
        public ?BankBalance $opening = null,
        public ?BankBalance $closing = null,
        public array $pending = [],
    ) {
        if ($opening === null || $closing === null) {
            return;
        }
        $sum = $this->sum();
        if (! $opening->amount->plus($sum)->equals($closing->amount)) {
            throw new Refusal(
                "Statement {$number} of {$account} does not add up: opening {$opening->amount->grouped()}, entries {$sum->grouped()}, ".
                    "closing {$closing->amount->grouped()}. Ask the bank for it again.",
            );
        }
    }

    /** @return list<BankLine> */
    public function movements(): array
    {
        return array_merge(...array_map(static fn (BankEntry $entry): array => $entry->movements(), $this->entries));
    }

    public function sum(): Money
    {
        return Money::sum(array_map(static fn (BankEntry $entry): Money => $entry->whole->amount, $this->entries), $this->currency);
    }

    /** Whether it holds every movement between its two balances. */
    public function isComplete(): bool
    {
        return $this->opening !== null && $this->closing !== null;
    }

    public function firstDay(): string
    {
        return $this->opening->day ?? min([...$this->days(), '9999-12-31']);
    }

    public function lastDay(): string
    {
        return $this->closing->day ?? max([...$this->days(), '']);
    }

    /**
     * @param ?Money $closing of the statement before
     *
     * @throws Refusal when this one does not start where that one ended
     */
    public function refuseGap(?Money $closing): void
    {
        if ($closing !== null && $this->opening !== null && ! $closing->equals($this->opening->amount)) {
            $between = $this->opening->amount->minus($closing);
            throw new Refusal(
                "Statement {$this->number} of {$this->account} opens at {$this->opening->amount->grouped()}, but the one before closed ".
                    "at {$closing->grouped()}: {$between->grouped()} is between them. A statement is missing, or they are out of order.",
            );
        }
    }

    /** @return list<string> */
    private function days(): array
    {
        $booked = array_map(static fn (BankEntry $entry): string => $entry->whole->bookingDate, $this->entries);

        return [...$booked, ...array_map(static fn (BankLine $line): string => $line->bookingDate, $this->pending)];
    }
}
