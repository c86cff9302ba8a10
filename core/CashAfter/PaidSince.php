<?php

declare(strict_types=1);

namespace Ajuste\Core\CashAfter;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;

/**
 * What was open of a document on a day, and the money that has come in for it since: later receipts are evidence that a balance was good
 * (subsequent receipts, common practice of auditors; ISA 505 and 330, from memory).
 */
final readonly class PaidSince
{
    /** What came in, base currency, as the document carried it. */
    public Money $paid;

    /** @param  list<LaterReceipt>  $receipts the oldest first */
    public function __construct(public Customer $customer, public OpenItem $item, public Money $open, public array $receipts)
    {
        $this->paid = Money::sum(array_map(static fn (LaterReceipt $of): Money => $of->base, $receipts), $open->currency);
    }

    /** In tenths of a percent of what was open. */
    public function share(): int
    {
        return self::tenths($this->paid, $this->open);
    }

    /** Rounded half away from zero; nil where nothing was open. */
    public static function tenths(Money $paid, Money $open): int
    {
        return $open->isZero() ? 0 : Rounding::proportion(1000, $paid->minor, $open->minor);
    }
}
