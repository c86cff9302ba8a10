<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

/** Where a promise to pay stands as of a day. */
enum PromiseState: string
{
    case Waits = 'waits';
    case Kept = 'kept';
    case Broken = 'broken';
}
