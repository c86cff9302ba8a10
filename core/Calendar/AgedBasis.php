<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

/** From which day an item ages (R11). */
enum AgedBasis: string
{
    case DueDate = 'due';
    case DocumentDate = 'document';
}
