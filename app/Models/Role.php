<?php

declare(strict_types=1);

namespace App\Models;

/** What a person may do in the books. */
enum Role: string
{
    case Preparer = 'preparer';
    case Reviewer = 'reviewer';
    case Reader = 'reader';

    /** For the page on which it is chosen. */
    public function words(): string
    {
        return match ($this) {
            self::Preparer => 'prepares and posts',
            self::Reviewer => 'approves, signs and locks; posts too',
            self::Reader => 'looks at everything, posts nothing',
        };
    }

    public function mayWrite(): bool
    {
        return $this !== self::Reader;
    }

    public function mayReview(): bool
    {
        return $this === self::Reviewer;
    }
}
