<?php

declare(strict_types=1);

namespace App\Values;

/** Work that may take longer than a person likes to wait. */
enum WorkKind: string
{
    case Preview = 'preview';
    case Import = 'import';
    case Statements = 'statements';

    /** What it does, for the heading of its page. */
    public function words(): string
    {
        return match ($this) {
            self::Preview => 'Reading the files',
            self::Import => 'Taking the files in',
            self::Statements => 'Sending statements',
        };
    }

    /** What is counted. */
    public function unit(): string
    {
        return $this === self::Statements ? 'statement' : 'row';
    }
}
