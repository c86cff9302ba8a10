<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** What a second person is asked to approve. */
final readonly class ApprovalAsked
{
    /**
     * @param string $kind of ApprovalKind
     * @param array<string, mixed> $payload what was asked for
     * @param string $title in words
     * @param string $why it needs a second person
     */
    public function __construct(
        public string $kind,
        public array $payload,
        public string $title,
        public Money $total,
        public string $why,
    ) {}
}
