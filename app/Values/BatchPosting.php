<?php

declare(strict_types=1);

namespace App\Values;

/** How a batch stands on the money account: as its sum, or receipt by receipt. */
enum BatchPosting: int
{
    case OneByOne = 0;
    case AsOne = 1;
}
