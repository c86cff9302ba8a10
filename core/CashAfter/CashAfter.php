<?php

declare(strict_types=1);

namespace Ajuste\Core\CashAfter;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** How much of what was open on a day has been paid since, document by document and in all. */
final readonly class CashAfter
{
    public Money $open;

    public Money $paid;

    /**
     * @param string $asOf the day at whose end the documents were open
     * @param string $until the last day of which receipts count
     * @param list<PaidSince> $lines by customer, then by due date
     */
    public function __construct(public string $asOf, public string $until, public array $lines, Currency $base)
    {
        $this->open = Money::sum(array_map(static fn (PaidSince $of): Money => $of->open, $lines), $base);
        $this->paid = Money::sum(array_map(static fn (PaidSince $of): Money => $of->paid, $lines), $base);
    }

    /** In tenths of a percent. */
    public function share(): int
    {
        return PaidSince::tenths($this->paid, $this->open);
    }

    /** @return array<string, array{Money, Money}> open and paid by customer number */
    public function byCustomer(): array
    {
        $sums = [];
        foreach ($this->lines as $line) {
            [$open, $paid] = $sums[$line->customer->number] ?? [Money::zero($this->open->currency), Money::zero($this->open->currency)];
            $sums[$line->customer->number] = [$open->plus($line->open), $paid->plus($line->paid)];
        }

        return $sums;
    }
}
