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

    /** @var array<string, list<int|string|null>> values of one row after another, by table in the order of first naming */
    private array $gathered = [];

    /** @var array<string, non-empty-list<string>> by table */
    private array $columns = [];

    /** Asked before almost every read. */
    private bool $hasRows = false;

    public function __construct(private readonly PDO $pdo) {}

    /**
     * @param non-empty-array<string, int|string|null> $row by column, always the same ones for a table
     * @return bool whether all that was gathered is written
     */
    public function insert(string $table, array $row): bool
    {
        $this->columns[$table] ??= array_keys($row);
        $this->gathered[$table] ??= [];
        array_push($this->gathered[$table], ...array_values($row));
        $this->hasRows = true;
        $isFull = count($this->gathered[$table]) === self::TOGETHER * count($row);
        $isFull && $this->flush();

        return $isFull;
    }

    /** Table by table, so that a row comes after the one of an earlier table that it belongs to. */
    public function flush(): void
    {
        foreach ($this->hasRows ? $this->gathered : [] as $table => $values) {
            if ($values !== []) {
                $this->write($table, $values);
                $this->gathered[$table] = [];
            }
        }
        $this->hasRows = false;
    }

    /**
     * The values are handed over as texts, which takes half the time; the columns are INTEGER or TEXT, and make of them what they are.
     *
     * @param non-empty-list<int|string|null> $values
     */
    private function write(string $table, array $values): void
    {
        $rows = intdiv(count($values), count($this->columns[$table]));
        $statement = $this->statements["{$table} {$rows}"] ??= $this->prepare($table, $this->columns[$table], $rows);
        $statement->execute($values);
    }

    /** @param  list<string>  $columns */
    private function prepare(string $table, array $columns, int $rows): PDOStatement
    {
        $row = '('.implode(', ', array_fill(0, count($columns), '?')).')';
        $values = implode(', ', array_fill(0, $rows, $row));

        return $this->pdo->prepare("INSERT INTO {$table} (".implode(', ', $columns).") VALUES {$values}");
    }
}
