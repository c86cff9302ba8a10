<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemHead;
use LogicException;

/** An item that a plan makes, with the voucher that carries it. */
final readonly class NewItem
{
    /**
     * @param Money $amount positive, in its currency; nil where it corrects base only
     * @param Money $base carrying amount, positive
     * @param int $voucher place of its voucher
     * @param ?Ref $corrects the item whose base it corrects (an exchange difference)
     * @param string $entry the ledger entry that it answers, where that is not its voucher
     */
    public function __construct(
        public ItemHead $head,
        public Money $amount,
        public Money $base,
        public int $voucher,
        public ?Ref $corrects = null,
        public string $entry = '',
    ) {
        if ($base->isNegative() || $amount->isNegative() || $amount->isZero() !== $head->kind->correctsBaseOnly()) {
            throw new LogicException("{$head->title()} cannot be of {$amount->decimal()}, carrying {$base->decimal()}.");
        }
    }

    /** What it adds to the customer's balance, base currency, debit-positive. */
    public function effect(): Money
    {
        return $this->head->side->signed($this->base);
    }
}
