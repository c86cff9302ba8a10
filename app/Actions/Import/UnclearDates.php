<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Refusal;

/** The dates of a file can be read in two ways; a person has to say which. */
final class UnclearDates extends Refusal
{
    public function __construct(string $message, public readonly Mapping $guess)
    {
        parent::__construct($message);
    }
}
