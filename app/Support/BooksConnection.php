<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\SQLiteConnection;
use PDO;
use PDOException;

/**
 * Begins every transaction with the lock for writing. PDO of PHP before 8.4 opens it deferred, so that two who read first and write then
 * would stand in each other's way; a write of nothing takes the lock at once, and waits for it. A transaction within another leaves
 * nothing behind. Its SQL knows `plain_text`, by which names are found without accents.
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

    /**
     * @param string $event
     * @return ?array<mixed>
     */
    protected function fireConnectionEvent($event): ?array
    {
        if ($event === 'committed' && $this->transactions > 0) {
            $this->releaseSavepoint($this->transactions);
        }

        return parent::fireConnectionEvent($event);
    }

    /** @param  int  $toLevel */
    protected function performRollBack($toLevel): void
    {
        parent::performRollBack($toLevel);
        if ($toLevel > 0) {
            $this->releaseSavepoint($toLevel);
        }
    }

    /**
     * A transaction within another has ended. Its savepoint would stand until the other ends too, and with thousands that stand each page
     * that is written is looked for in each of them.
     */
    private function releaseSavepoint(int $level): void
    {
        $this->getPdo()->exec('RELEASE SAVEPOINT trans'.($level + 1));
    }
}
