<?php

declare(strict_types=1);

namespace App\Values;

/** What becomes of a typed receipt of which there is one alike. */
enum Alike
{
    /** Refused until the person says that both are meant. */
    case Ask;

    /** Both are meant. */
    case Keep;
}
