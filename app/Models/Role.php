<?php

declare(strict_types=1);

namespace App\Models;

/** What a person may do in the books. */
enum Role: string
{
    case Preparer = 'preparer';
    case Reviewer = 'reviewer';
    case Reader = 'reader';

    public function mayWrite(): bool
    {
        return $this !== self::Reader;
    }

    public function mayReview(): bool
    {
        return $this === self::Reviewer;
    }
}
