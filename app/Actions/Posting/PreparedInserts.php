<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use PDO;
use PDOStatement;

/** Many rows, some together by one statement that is prepared once. What was gathered is written by flush(). */
final class PreparedInserts
{
    private const TOGETHER = 50;

    /** @var array<string, PDOStatement> */
    private array $statements = [];

    /** @var array<string, list<non-empty-array<string, int|string|null>>> by table, in the order in which they were first named */
    private array $gathered = [];

    /** Asked before almost every read. */
    private bool $hasRows = false;

    public function __construct(private readonly PDO $pdo) {}

    /**
     * @param non-empty-array<string, int|string|null> $row by column, always the same ones for a table
     * @return bool whether all that was gathered is written
     */
    public function insert(string $table, array $row): bool
    {
        $this->gathered[$table][] = $row;
        $this->hasRows = true;
        $isFull = count($this->gathered[$table]) === self::TOGETHER;
        $isFull && $this->flush();

        return $isFull;
    }

    /** Table by table, so that a row comes after the one of an earlier table that it belongs to. */
    public function flush(): void
    {
        foreach ($this->hasRows ? $this->gathered : [] as $table => $rows) {
            if ($rows !== []) {
                $this->write($table, $rows);
                $this->gathered[$table] = [];
            }
        }
        $this->hasRows = false;
    }

    /** @param  non-empty-list<non-empty-array<string, int|string|null>>  $rows */
    private function write(string $table, array $rows): void
    {
        $statement = $this->statements[$table.' '.count($rows)] ??= $this->prepare($table, array_keys($rows[0]), count($rows));
        $place = 0;
        foreach ($rows as $row) {
            foreach ($row as $value) {
                $type = is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR);
                $statement->bindValue(++$place, $value, $type);
            }
        }
        $statement->execute();
    }

    /** @param  list<string>  $columns */
    private function prepare(string $table, array $columns, int $rows): PDOStatement
    {
        $row = '('.implode(', ', array_fill(0, count($columns), '?')).')';
        $values = implode(', ', array_fill(0, $rows, $row));

        return $this->pdo->prepare("INSERT INTO {$table} (".implode(', ', $columns).") VALUES {$values}");
    }
}
