<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Currency;

/** One page of a statement as a file has it; most statements have one. Sums are looked at only when all pages are there. */
final readonly class StatementPage
{
    /**
     * @param string $number of the statement, without the page
     * @param int $page from 1
     * @param list<BankEntry> $entries
     */
    public function __construct(
        public string $account,
        public Currency $currency,
        public string $number,
        public int $page,
        public array $entries,
        public ?BankBalance $opening,
        public ?BankBalance $closing,
    ) {}

    public function isFirst(): bool
    {
        return $this->opening?->isBetweenPages === false;
    }

    public function isLast(): bool
    {
        return $this->closing?->isBetweenPages === false;
    }

    /** What the pages of one statement have in common. */
    public function name(): string
    {
        return "{$this->account} {$this->currency->code} {$this->number}";
    }
}
