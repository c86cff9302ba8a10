<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use PDO;

/** As what a value goes to the database: figures stay figures. */
final class Binding
{
    public static function of(int|string|null $value): int
    {
        return match (true) {
            is_int($value) => PDO::PARAM_INT,
            $value === null => PDO::PARAM_NULL,
            default => PDO::PARAM_STR,
        };
    }
}
