<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/** What a ribbon begins or ends at: a document with what is open of it and what is used. */
final readonly class RibbonEnd
{
    /**
     * @param bool $isLeft it covers what stands on the right
     * @param bool $isReduction it is no money, but what comes off
     */
    private function __construct(
        public string $key,
        public string $title,
        public bool $isLeft,
        public bool $isReduction,
        public Money $open,
        public Money $used,
    ) {}

    public static function ofTick(Tick $tick): self
    {
        return self::ofItem($tick->item, $tick->amount);
    }

    public static function ofItem(OpenItem $item, Money $used): self
    {
        $isReduction = in_array($item->kind, [Kind::Discount, Kind::Deduction], true);

        return new self("item {$item->id}", $item->title(), ! $item->isDebit(), $isReduction, $item->takeable, $used);
    }

    public static function ofBill(Bill $bill, Money $used): self
    {
        return new self("bill {$bill->id}", "Bill {$bill->document}", true, false, $bill->open, $used);
    }

    public function using(Money $more): self
    {
        return new self($this->key, $this->title, $this->isLeft, $this->isReduction, $this->open, $this->used->plus($more));
    }

    public function leaves(): Money
    {
        return $this->open->minus($this->used);
    }
}
