<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PaymentWay;
use App\Values\BatchPosting;

/** Receipts paid in together, against their declared total. */
final readonly class Batch
{
    public string $reference;

    public PaymentWay $way;

    public Account $account;

    public string $date;

    /**
     * @param ?string $postedAt null while it is open
     * @param list<StatementLine> $lines
     */
    public function __construct(
        public int $id,
        BatchHead $head,
        public Money $declared,
        public BatchPosting $posting,
        public string $who,
        public ?string $postedAt,
        public array $lines,
    ) {
        [$this->reference, $this->way, $this->account, $this->date] = [$head->reference, $head->way, $head->account, $head->date];
    }

    public function entered(): Money
    {
        return Money::sum(array_map(static fn (StatementLine $line): Money => $line->amount, $this->lines), $this->declared->currency);
    }

    public function remaining(): Money
    {
        return $this->declared->minus($this->entered());
    }

    /** @throws Refusal when it is posted */
    public function refusePosted(): void
    {
        if ($this->postedAt !== null) {
            throw Refusal::done(
                "Batch {$this->reference} is posted. What is posted stays; a receipt of it can be taken back on its own page.",
            );
        }
    }
}
