<?php

declare(strict_types=1);

namespace App\Queries;

/** Books of the shelf as the list of them shows them. */
final readonly class ShelvedBooks
{
    /**
     * @param bool $isHere those that are open
     * @param ?CloseState $close null: the books cannot be read, and `problem` says why
     */
    public function __construct(
        public string $slug,
        public string $name,
        public bool $isHere,
        public ?CloseState $close,
        public string $problem = '',
    ) {}
}
