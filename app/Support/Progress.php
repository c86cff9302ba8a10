<?php

declare(strict_types=1);

namespace App\Support;

/** How far long work is. Whoever carries it out says so now and then, and is stopped by it when a person has cancelled. */
interface Progress
{
    /**
     * @param int $total 0: not known
     *
     * @throws Cancelled when the work is to end here, with nothing done
     */
    public function at(int $done, int $total): void;
}
