<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\SQLiteConnection;
use PDOException;

/**
 * Begins every transaction with the lock for writing. PDO of PHP before 8.4 opens it deferred, so that two who read first and write then
 * would stand in each other's way; a write of nothing takes the lock at once, and waits for it.
 */
final class BooksConnection extends SQLiteConnection
{
    protected function executeBeginTransactionStatement(): void
    {
        parent::executeBeginTransactionStatement();
        try {
            $this->getPdo()->exec('DELETE FROM posting_keys WHERE 0');
        } catch (PDOException $problem) {
            if (! str_contains($problem->getMessage(), 'no such table')) { // books that are only being made
                $this->getPdo()->rollBack();
                throw $problem;
            }
        }
    }
}
