<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Subledger\Customer;

/** An open item as the reclassification looks at it. An exchange difference comes with the document that it corrects. */
final readonly class Standing
{
    /**
     * @param int $itemId the item, or the one that it corrects
     * @param int $amount still open in its currency, minor units, signed
     * @param int $base still carried, minor units of base currency, signed
     * @param bool $credit whether the item (or the one that it corrects) is a credit
     */
    public function __construct(
        public Customer $customer,
        public int $itemId,
        public string $document,
        public Currency $currency,
        public int $amount,
        public int $base,
        public bool $credit,
    ) {}

    /**
     * What a customer owes of whom nothing is in credit, minor units of base currency.
     *
     * @param list<Standing> $standings of one customer
     * @return ?int null: something is in credit
     */
    public static function owed(array $standings): ?int
    {
        $bases = array_map(static fn (self $of): int => $of->base, $standings);

        return $bases === [] || min($bases) >= 0 ? array_sum($bases) : null;
    }

    /**
     * A customer's standings as far as the policy tells them apart, those that it nets added up: the same balances follow from them.
     *
     * @param iterable<Standing> $standings of any customers
     * @return list<Standing>
     */
    public static function merged(iterable $standings, CreditBalancePolicy $policy): array
    {
        $merged = [];
        foreach ($standings as $standing) {
            $itself = $policy === CreditBalancePolicy::Item && $standing->credit ? $standing->itemId : 0;
            $key = "{$standing->customer->id} {$standing->currency->code} {$itself}";
            $before = $merged[$key] ?? null;
            $merged[$key] = $before === null ? $standing : new self(
                $before->customer,
                $before->itemId,
                $before->document,
                $before->currency,
                $before->amount + $standing->amount,
                $before->base + $standing->base,
                $before->credit,
            );
        }

        return array_values($merged);
    }
}
