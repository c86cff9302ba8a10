<?php

declare(strict_types=1);

namespace App\Values;

/** Work that may take longer than a person likes to wait. */
enum WorkKind: string
{
    case Preview = 'preview';
    case Import = 'import';
    case Statements = 'statements';
    case Confirmations = 'confirmations';
    case MatchUnapplied = 'match_unapplied';
    case Run = 'run';
    case RunAgain = 'run_again';
    case RunBack = 'run_back';
    case Approved = 'approved';
    case Pack = 'pack';

    /** What it does, for the heading of its page. */
    public function words(): string
    {
        return match ($this) {
            self::Preview => 'Reading the files',
            self::Import => 'Taking the files in',
            self::Statements => 'Sending statements',
            self::Confirmations => 'Sending letters to be confirmed',
            self::MatchUnapplied, self::Run => 'Posting the run',
            self::RunAgain => 'Taking the run back and running again',
            self::RunBack => 'Taking the run back',
            self::Approved => 'Posting what was approved',
            self::Pack => 'Cutting the close pack',
        };
    }

    /** What is counted. */
    public function unit(): string
    {
        return match ($this) {
            self::Statements => 'statement',
            self::Confirmations => 'letter',
            default => 'row',
        };
    }
}
