<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\DirectDebit\MandateHistory;
use Ajuste\Core\Subledger\Customer;

/** A mandate of the books with whose it is and what happened under it. */
final readonly class KeptMandate
{
    /** @param  string  $email of the customer, or blank */
    public function __construct(
        public int $id,
        public Customer $customer,
        public string $email,
        public Mandate $mandate,
        public MandateHistory $history,
    ) {}

    /** @param  string  $day of a collection */
    public function whyNot(string $day): string
    {
        return $this->mandate->whyNot($day, $this->history);
    }

    public function sequence(): string
    {
        return $this->mandate->use->sequence($this->history->lastCollected);
    }
}
