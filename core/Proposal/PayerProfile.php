<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** What is known of a customer as a payer. */
final readonly class PayerProfile
{
    /**
     * @param list<string> $names name, trading name and texts under which a person placed a payment before
     * @param list<string> $accounts bank accounts
     */
    public function __construct(public int $customerId, public array $names, public array $accounts) {}
}
