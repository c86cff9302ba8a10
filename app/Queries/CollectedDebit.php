<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\Debit;
use Ajuste\Core\Exchange\Bank\ReturnReason;
use Ajuste\Core\Money\Money;

/** One debit of a collection, with how far it has come. */
final readonly class CollectedDebit
{
    /**
     * @param non-empty-list<CollectedItem> $items
     * @param string $toldOn day on which the payer was told, or blank
     * @param ?string $refused why the bank did not take it, blank where it took it; null: it was not asked yet
     * @param ?int $lineId of the receipt in its batch
     * @param ?string $returned code of why it came back, or blank; null: it did not
     */
    public function __construct(
        public int $id,
        public string $endToEnd,
        public KeptMandate $of,
        public array $items,
        public string $toldOn,
        public ?string $refused = null,
        public ?int $lineId = null,
        public ?string $returned = null,
    ) {}

    public function amount(): Money
    {
        $amounts = array_map(static fn (CollectedItem $item): Money => $item->amount, $this->items);

        return Money::sum($amounts, $amounts[0]->currency);
    }

    /** What it pays, as the payer reads it. */
    public function text(): string
    {
        return implode(', ', array_map(static fn (CollectedItem $item): string => $item->document, $this->items));
    }

    /** As the bank is asked for it. */
    public function asked(): Debit
    {
        return new Debit($this->endToEnd, $this->of->mandate, $this->of->sequence(), $this->amount(), $this->text());
    }

    /** How far it has come, in words. */
    public function state(): string
    {
        return match (true) {
            $this->returned !== null => 'came back'.($this->returned === '' ? '' : ': '.ReturnReason::said($this->returned)),
            $this->refused === null => $this->toldOn === '' ? 'payer not told yet' : "payer told on {$this->toldOn}",
            $this->refused !== '' => "refused by the bank: {$this->refused}",
            default => 'collected',
        };
    }
}
