<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** What a second person is asked to approve. */
final readonly class ApprovalAsked
{
    /**
     * @param string $subject what it is about: of one subject one request waits at most
     * @param array<string, mixed> $payload what was asked for
     * @param string $title in words
     * @param string $why it needs a second person
     */
    public function __construct(
        public ApprovalKind $kind,
        public string $subject,
        public array $payload,
        public string $title,
        public Money $total,
        public string $why,
    ) {}
}
