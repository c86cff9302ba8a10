<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\DirectDebit\Collectible;
use App\Queries\DueMandate;

/** One item in the list of what can be collected. */
final readonly class DueLine
{
    /** @param  ?int  $preparedIn collection that is being prepared and has it already */
    public function __construct(
        public DueMandate $of,
        public Collectible $item,
        public ?int $preparedIn,
        public bool $can,
        public bool $ticked,
    ) {}

    /** Why it cannot be ticked, or blank. */
    public function why(): string
    {
        return match (true) {
            $this->preparedIn !== null => 'in a collection that is being prepared',
            $this->of->whyNot !== '' => "mandate: {$this->of->whyNot}",
            default => $this->item->why,
        };
    }
}
