<?php

declare(strict_types=1);

namespace App\Actions\Import;

/** The place of an item among those with its document, kind and customer, and among its own versions. */
final readonly class ItemPlace
{
    /** @param  ?int  $rootId the first version, where this is a later one */
    public function __construct(public int $occurrence, public int $version = 1, public ?int $rootId = null) {}
}
