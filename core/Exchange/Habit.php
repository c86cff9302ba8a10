<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** How strictly a list is written. */
enum Habit: string
{
    /** The house format: exact, and whatever differs is refused. */
    case House = 'house';

    /** As other systems write: kinds in words, signed amounts, total lines. */
    case Foreign = 'foreign';
}
