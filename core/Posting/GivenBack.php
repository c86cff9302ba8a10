<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Unrealised;

/** The share of an unrealised exchange difference that goes back because a part of its item is settled (R9). */
final readonly class GivenBack
{
    /**
     * @param Ref $source the item that is settled
     * @param Money $share base currency, positive
     * @param string $date of the settlement, or of the difference where that came later
     * @param ?int $settlement place in the plan
     */
    public function __construct(
        public Unrealised $unrealised,
        public Ref $source,
        public Money $share,
        public string $date,
        public ?int $settlement,
    ) {}

    public function head(): ItemHead
    {
        $of = $this->unrealised->difference->head;

        return new ItemHead(
            $of->document,
            Kind::ExchangeDifference,
            $of->side->opposite(),
            $of->account,
            $this->date,
            $this->date,
            $of->document,
        );
    }

    /** @return non-empty-list<VoucherLine> */
    public function lines(): array
    {
        $base = $this->unrealised->difference->signed($this->share);
        [$document, $text] = [
            $this->unrealised->difference->document,
            "Unrealised exchange difference on {$this->unrealised->difference->document}",
        ];

        return [
            new VoucherLine($this->unrealised->control, $base->negated(), $text, $document),
            new VoucherLine($this->unrealised->result, $base, $text, $document),
        ];
    }
}
