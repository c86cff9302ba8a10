<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

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
        public int $customerId,
        public string $customer,
        public string $name,
        public int $itemId,
        public string $document,
        public string $currency,
        public int $amount,
        public int $base,
        public bool $credit,
    ) {}
}
