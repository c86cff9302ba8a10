<?php

declare(strict_types=1);

namespace App\Support;

/** Work that nobody follows: it is short, or a command carries it out. */
final class Unwatched implements Progress
{
    public function at(int $done, int $total): void {}
}
