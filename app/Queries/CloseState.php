<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Period;

/** How the close of books stands, as their list shows it. */
final readonly class CloseState
{
    /**
     * @param Period $period that is being closed
     * @param ?ProofLineFigures $figures at its end; null: there is no control account yet
     * @param int $toApprove requests that wait for a second person
     * @param string $role of the person who looks
     */
    public function __construct(
        public Period $period,
        public bool $isLocked,
        public ?ProofLineFigures $figures,
        public int $toApprove,
        public string $role,
    ) {}
}
