<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** What is known of a customer as a payer. */
final readonly class PayerProfile
{
    /**
     * @param list<string> $names name, trading name and texts under which a person placed a payment before
     * @param list<string> $accounts bank accounts
     * @param string $reference the creditor reference on the customer's statements, without blanks; blank: none
     */
    public function __construct(public int $customerId, public array $names, public array $accounts, public string $reference = '') {}
}
