<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNoteUse;

/** A credit note as a person put it together. */
final readonly class CreditNoteRequest
{
    /**
     * @param list<int> $invoices that it stands on
     * @param list<CreditedLine> $lines of them, and of its own
     */
    public function __construct(
        public int $customerId,
        public array $invoices,
        public array $lines,
        public Currency $currency,
        public string $date,
        public string $reason,
        public CreditNoteUse $use,
    ) {}

    /**
     * @param array<string, mixed> $payload as `payload` gave it
     *
     * @throws Refusal when an account is not there any more
     */
    public static function fromPayload(array $payload, ChartOfAccounts $accounts): self
    {
        /**
         * @var array{
         *     customer: int, invoices: list<int>, lines: list<array{string, string, string, int, string, int, string}>, currency: string,
         *     date: string, reason: string, use: string
         * } $payload
         */
        return new self(
            $payload['customer'],
            $payload['invoices'],
            array_map(static fn (array $of): CreditedLine => new CreditedLine(
                $of[0], $of[1], $of[2], $accounts->withId($of[3]), $of[4], $of[5], dimension: $of[6],
            ), $payload['lines']),
            Currency::of($payload['currency']),
            $payload['date'],
            $payload['reason'],
            CreditNoteUse::from($payload['use']),
        );
    }

    /** @return array<string, mixed> what a request for approval keeps of it */
    public function payload(): array
    {
        return [
            'customer' => $this->customerId,
            'invoices' => $this->invoices,
            'lines' => array_map(static fn (CreditedLine $line): array => [
                $line->document, $line->line, $line->description, $line->account->id, $line->rate, $line->net, $line->dimension,
            ], $this->lines),
            'currency' => $this->currency->code,
            'date' => $this->date,
            'reason' => $this->reason,
            'use' => $this->use->value,
        ];
    }
}
