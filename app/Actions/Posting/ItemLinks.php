<?php

declare(strict_types=1);

namespace App\Actions\Posting;

/** The other items that an item names. */
final readonly class ItemLinks
{
    /**
     * @param ?int $correctsId the item whose base it corrects
     * @param ?int $rootId the first version of the item, where this is a later one
     */
    public function __construct(public ?int $correctsId = null, public ?int $rootId = null) {}
}
