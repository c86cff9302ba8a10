<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use PDO;
use PDOStatement;

/** Many rows of one table, by a statement that is prepared once. */
final class PreparedInserts
{
    /** @var array<string, PDOStatement> */
    private array $statements = [];

    public function __construct(private readonly PDO $pdo) {}

    /** @param  non-empty-array<string, int|string|null>  $row by column, always the same ones */
    public function insert(string $table, array $row): void
    {
        $statement = $this->statements[$table] ??= $this->pdo->prepare(
            "INSERT INTO {$table} (".implode(', ', array_keys($row)).') VALUES ('.implode(', ', array_fill(0, count($row), '?')).')',
        );
        foreach (array_values($row) as $place => $value) {
            $type = is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR);
            $statement->bindValue($place + 1, $value, $type);
        }
        $statement->execute();
    }
}
