<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Bank\ReturnReason;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Payer;
use Ajuste\Core\Settlement\ReceivedMoney;

/** A movement of money: a line of a bank statement, a receipt typed by hand, or a part of either. */
final readonly class StatementLine
{
    /**
     * @param int $accountId the money account
     * @param Money $amount above zero where money came in
     * @param Money $charges what the bank says that it deducted
     * @param string $reference of the bank
     * @param LineOrigin $origin where it came from, and where it belongs
     */
    public function __construct(
        public int $id,
        public int $accountId,
        public LineDates $dates,
        public Money $amount,
        public Money $charges,
        public string $reference,
        public Payer $payer,
        public LineOrigin $origin,
    ) {}

    public function text(): string
    {
        return trim("{$this->payer->name} {$this->payer->remittance}");
    }

    public function title(): string
    {
        return $this->text() === '' ? $this->reference : $this->text();
    }

    /** Why a payment came back, in the words of the bank's code, else as it was written. */
    public function whyReturned(): string
    {
        return $this->origin->returnReason === '' ? $this->payer->remittance : ReturnReason::said($this->origin->returnReason);
    }

    /** @throws Refusal when it may be another line once more, and nobody has said yet */
    public function refuseQuestion(): void
    {
        if ($this->origin->mayBe !== null) {
            throw new Refusal('The bank may have named this movement twice. Say on Receipts first whether it is the same or another one.');
        }
    }

    /** Names what the line says: a number that was given again to another line is told apart by it. */
    public function digest(): string
    {
        return hash(
            'xxh3',
            implode('|', [
                $this->id,
                $this->dates->booking,
                $this->dates->value,
                $this->amount->decimal(),
                $this->amount->currency->code,
                $this->charges->decimal(),
                $this->reference,
                $this->text(),
                $this->origin->customerId ?? 0,
            ]),
        );
    }

    /**
     * @param string $seen digest of the line that the person saw; blank: whichever it is
     *
     * @throws Refusal when it is another one
     */
    public function refuseOther(string $seen): void
    {
        if ($seen !== '' && $seen !== $this->digest()) {
            $now = trim("{$this->amount->grouped()} {$this->amount->currency->code} {$this->title()}");
            throw Refusal::changed("This is another line than the one that you looked at: {$now}. Look at it again; nothing was posted.");
        }
    }

    /** Whether it is a line of a bank statement, and no receipt typed by hand. */
    public function isOfStatement(): bool
    {
        return $this->origin->way === 'statement';
    }

    /**
     * As the core places it.
     *
     * @param Account $account the money account
     * @param Money $credited what that gets, base currency
     * @param Money $charges what a bank deducted, base currency
     */
    public function received(Account $account, Money $credited, Money $charges): ReceivedMoney
    {
        return new ReceivedMoney($this->id, $account, $this->dates->booking, $this->dates->value, $credited, $charges, $this->payer);
    }
}
