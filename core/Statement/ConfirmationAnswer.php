<?php

declare(strict_types=1);

namespace Ajuste\Core\Statement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** What a customer answered to a letter of confirmation. */
final readonly class ConfirmationAnswer
{
    private function __construct(public Money $difference, public string $words) {}

    /**
     * @param Money $balance as the letter has it, debit-positive
     * @param ?Money $states what the customer states, likewise; null: it agrees
     * @param string $words by which documents the two differ
     *
     * @throws Refusal when they differ, and nothing says by what
     */
    public static function of(Money $balance, ?Money $states, string $words): self
    {
        $difference = $states === null ? Money::zero($balance->currency) : $states->minus($balance);
        if (! $difference->isZero() && trim($words) === '') {
            throw new Refusal('Say by which documents the balances differ, as far as is known.');
        }

        return new self($difference, trim($words));
    }

    public function agrees(): bool
    {
        return $this->difference->isZero();
    }
}
