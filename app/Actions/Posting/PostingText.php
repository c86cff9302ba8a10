<?php

declare(strict_types=1);

namespace App\Actions\Posting;

/** What a posting says beside its figures. */
final readonly class PostingText
{
    public function __construct(
        public string $description = '',
        public string $document = '',
        public string $customer = '',
        public string $reference = '',
        public string $source = '',
        public string $batch = '',
    ) {}
}
