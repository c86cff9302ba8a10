<?php

declare(strict_types=1);

namespace App\Actions\Posting;

/** Where a posted row came from: a voucher of Ajuste, or a row of an imported file. */
final readonly class RowSource
{
    /** @param  int  $version of an imported row: a later file may change it */
    private function __construct(
        public ?int $voucherId,
        public ?int $importFileId,
        public ?int $row,
        public int $version = 1,
    ) {}

    public static function voucher(int $voucherId): self
    {
        return new self($voucherId, null, null);
    }

    public static function file(int $importFileId, int $row, int $version = 1): self
    {
        return new self(null, $importFileId, $row, $version);
    }
}
