<?php

declare(strict_types=1);

namespace App\Values;

/** How a cause of the proof is to be corrected. */
final readonly class CauseCorrection
{
    /**
     * @param string $cause the cause's key; with all of a kind, the kind
     * @param ?string $counter account number; null: the accounts that the document's lines and the entry say
     * @param string $date of the voucher; an accrual stands at the day of the proof
     * @param ?int $customerId of the entry on the customer's side
     */
    public function __construct(
        public CorrectionWay $way,
        public int $controlId,
        public string $asOf,
        public string $cause,
        public ?string $counter,
        public string $date,
        public ?int $customerId = null,
    ) {}

    /** @param  array<string, mixed>  $payload */
    public static function fromPayload(array $payload): self
    {
        /**
         * @var array{way: string, control: int, as_of: string, cause: string, counter: ?string, date: string, customer: ?int} $payload
         */
        return new self(
            CorrectionWay::from($payload['way']),
            $payload['control'],
            $payload['as_of'],
            $payload['cause'],
            $payload['counter'],
            $payload['date'],
            $payload['customer'],
        );
    }

    /** @return array<string, mixed> */
    public function payload(): array
    {
        return [
            'way' => $this->way->value,
            'control' => $this->controlId,
            'as_of' => $this->asOf,
            'cause' => $this->cause,
            'counter' => $this->counter,
            'date' => $this->date,
            'customer' => $this->customerId,
        ];
    }
}
