<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

/** Which items an agreement lets be set off. */
enum Scope: string
{
    case Due = 'due';
    case All = 'all';
}
