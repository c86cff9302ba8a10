<?php

declare(strict_types=1);

namespace App\Actions\Posting;

/** Where a match came from: a settlement of Ajuste, a row of an imported file, or a document that takes another one back. */
final readonly class MatchSource
{
    private function __construct(public ?int $settlementId, public ?int $importFileId, public ?int $row) {}

    public static function settlement(?int $settlementId): self
    {
        return new self($settlementId, null, null);
    }

    public static function file(int $importFileId, int $row): self
    {
        return new self(null, $importFileId, $row);
    }
}
