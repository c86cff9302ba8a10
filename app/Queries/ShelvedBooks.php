<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Period;

/** Books of the shelf as the list of them shows them. */
final readonly class ShelvedBooks
{
    /**
     * @param bool $isHere those that are open
     * @param string $role of the person who looks
     * @param ?Period $period that is being closed; null: the books cannot be read, and `problem` says why
     * @param ?ProofLineFigures $figures at its end; null: there is no control account yet
     * @param int $toApprove requests that wait for a second person
     * @param int $questions that are open
     */
    public function __construct(
        public string $slug,
        public string $name,
        public bool $isHere,
        public string $role,
        public ?Period $period,
        public bool $isLocked = false,
        public ?ProofLineFigures $figures = null,
        public int $toApprove = 0,
        public int $questions = 0,
        public string $problem = '',
    ) {}
}
