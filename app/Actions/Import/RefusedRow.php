<?php

declare(strict_types=1);

namespace App\Actions\Import;

/** A row that cannot be taken in. */
final readonly class RefusedRow
{
    public function __construct(
        public string $file,
        public int $row,
        public string $field,
        public string $value,
        public string $expected,
        public string $line,
        public int $fileId = 0,
    ) {}
}
