<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Proposal\PayerProfile;
use Ajuste\Core\Proposal\PayerRecognition;

/** Which customers and suppliers may be the same party: the same bank account, or names alike by words. What is alike is only proposed. */
final readonly class LikelyParties
{
    private PayerRecognition $customers;

    /** @param  iterable<PayerProfile>  $customers */
    public function __construct(iterable $customers)
    {
        $this->customers = new PayerRecognition($customers);
    }

    /** @return list<LikelyParty> the likeliest first; those as likely as a payer that is placed without asking (R6), at most three */
    public function of(int $supplierId, string $name, string $account): array
    {
        $likely = [];
        foreach ($this->customers->rank($account, $name, '', []) as $guess) {
            if ($guess->score >= PayerRecognition::SURE) {
                $likely[] = new LikelyParty($guess->customerId, $supplierId, $guess->why);
            }
        }

        return array_slice($likely, 0, 3);
    }
}
