<?php

declare(strict_types=1);

namespace App\Actions\Runs;

/** What is done about a rate that is far from the last one (R9). */
enum RateCheck
{
    case Ask;
    case Accept;
}
