<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\SQLiteConnection;
use PDO;
use PDOException;

/**
 * Begins every transaction with the lock for writing. PDO of PHP before 8.4 opens it deferred, so that two who read first and write then
 * would stand in each other's way; a write of nothing takes the lock at once, and waits for it. Its SQL
 * knows `plain_text`, by which names are found without accents.
 */
final class BooksConnection extends SQLiteConnection
{
    private ?PDO $taught = null;

    public function getPdo(): PDO
    {
        $pdo = parent::getPdo();
        if ($this->taught !== $pdo) {
            $pdo->sqliteCreateFunction('plain_text', PlainText::of(...), 1, PDO::SQLITE_DETERMINISTIC);
            $this->taught = $pdo;
        }

        return $pdo;
    }

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
