<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** Debits that are collected together on one day. */
final readonly class DebitCollection
{
    /**
     * @param Account $account that the money comes to
     * @param ?string $sentAt null while it is prepared
     * @param list<CollectedDebit> $debits
     */
    public function __construct(
        public int $id,
        public string $day,
        public Account $account,
        public string $who,
        public ?string $sentAt,
        public array $debits,
    ) {}

    /** What the bank knows it by. */
    public function message(): string
    {
        return self::named($this->id, $this->day);
    }

    public static function named(int $id, string $day): string
    {
        return 'DD-'.str_replace('-', '', $day)."-{$id}";
    }

    /** @return list<CollectedDebit> of which the payer was not told */
    public function untold(): array
    {
        return array_values(array_filter($this->debits, static fn (CollectedDebit $debit): bool => $debit->toldOn === ''));
    }

    /** @return list<CollectedDebit> of which the payer was not told, or too late */
    public function toldLate(int $days): array
    {
        return array_values(array_filter(
            $this->debits,
            fn (CollectedDebit $debit): bool => $debit->toldOn === '' || ! DirectDebits::isInTime($debit->toldOn, $this->day, $days),
        ));
    }

    /** What is asked for, and once it is sent what the bank took. */
    public function sum(): Money
    {
        $taken = array_filter($this->debits, static fn (CollectedDebit $debit): bool => ($debit->refused ?? '') === '');
        $amounts = array_map(static fn (CollectedDebit $debit): Money => $debit->amount(), array_values($taken));

        return Money::sum($amounts, Currency::of(DirectDebits::CURRENCY));
    }

    /** @throws Refusal when it is with the bank */
    public function refuseSent(): void
    {
        if ($this->sentAt !== null) {
            throw Refusal::done("Collection {$this->message()} is with the bank already.");
        }
    }
}
