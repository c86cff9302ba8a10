<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Subledger\OpenItem;

/** An item of the books as it stands once all of its matches are undone. */
final readonly class StandingItem
{
    /** @param  ?Ref  $corrects the item whose base it corrects (an exchange difference) */
    public function __construct(public OpenItem $item, public ?Ref $corrects = null) {}
}
