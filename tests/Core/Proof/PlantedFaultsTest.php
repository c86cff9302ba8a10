<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;

final class PlantedFaultsTest extends TestCase
{
    public function test_every_planted_fault_is_named_and_no_innocent_line_is_accused(): void
    {
        for ($seed = 1; $seed <= 200; $seed++) {
            $books = new PlantedBooks($seed);
            self::assertSame($books->expected(), $books->named(), "seed {$seed}");
        }
    }

    public function test_clean_books_have_no_cause(): void
    {
        for ($seed = 1; $seed <= 50; $seed++) {
            self::assertSame([], (new PlantedBooks($seed, 200, 0))->named(), "seed {$seed}");
        }
    }
}
