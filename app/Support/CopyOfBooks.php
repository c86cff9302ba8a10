<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Refusal;
use Closure;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use SQLite3;
use Throwable;

/**
 * A copy of the books beside them, in which long work is tried or prepared while others go on writing. What was prepared is carried over
 * row by row, in one short transaction.
 */
final class CopyOfBooks
{
    private const CONNECTION = 'copy';

    /** What other people may write meanwhile: imports neither read nor write it. */
    private const OF_OTHERS = [
        'audit_records', 'notes', 'notes_struck', 'outbox', 'posting_keys', 'question_answers', 'questions', 'receipt_drafts', 'users',
    ];

    /** What the books say of themselves; it is written anew by the transaction that carries over. */
    private const OF_THE_BOOKS = ['carried', 'changes', 'customer_changes', 'migrations', 'sealed_keys', 'seals'];

    private readonly string $file;

    /** @var resource held while the process lives that works on the copy */
    private readonly mixed $owner;

    private readonly string $since;

    /** @var array<string, int> where the counters stood */
    private readonly array $counters;

    /** @throws Refusal when there is no room for it */
    public function __construct()
    {
        $books = Books::file();
        self::deleteLeft($books);
        $this->file = "{$books}.copy-".bin2hex(random_bytes(6));
        $this->since = Moment::now();
        $this->owner = self::open("{$this->file}.owner");
        flock($this->owner, LOCK_EX);
        $from = new SQLite3($books, SQLITE3_OPEN_READONLY);
        $from->busyTimeout(15_000);
        $to = new SQLite3($this->file);
        $whole = $from->backup($to);
        $to->close();
        $from->close();
        if (! $whole) {
            $this->discard();
            throw new Refusal('There is no room for a copy of the books beside them, in which this is prepared. Nothing was changed.');
        }
        DB::purge(self::CONNECTION);
        config([
            'database.connections.'.self::CONNECTION => [
                ...(array) config('database.connections.'.DB::getDefaultConnection()),
                'database' => $this->file,
                'synchronous' => 'OFF',
            ],
        ]);
        $this->counters = $this->in(Changes::all(...));
    }

    /**
     * Tries something in a copy that is thrown away. Nobody waits for it meanwhile.
     *
     * @template T
     *
     * @param Closure(): T $work
     * @return T
     */
    public static function try(Closure $work): mixed
    {
        $copy = new self();
        try {
            return $copy->in($work);
        } finally {
            $copy->discard();
        }
    }

    /**
     * Has the copy as the books at hand for a while.
     *
     * @template T
     *
     * @param Closure(): T $work
     * @return T
     */
    public function in(Closure $work): mixed
    {
        $books = DB::getDefaultConnection();
        $remembers = Cache::getDefaultDriver();
        DB::setDefaultConnection(self::CONNECTION);
        Cache::setDefaultDriver(self::CONNECTION);
        try {
            return $work();
        } finally {
            DB::setDefaultConnection($books);
            Cache::setDefaultDriver($remembers);
        }
    }

    /**
     * Writes into the books what was prepared in the copy, and something more, in one transaction.
     *
     * @param Closure(): void $more
     * @return bool false: something that the copy was worked out from was changed meanwhile, and nothing was written
     */
    public function carryOver(Closure $more): bool
    {
        $tables = $this->in(self::tables(...));
        $books = Books::file();
        $this->in(fn () => self::findWhatDiffers($tables, $books));
        $now = Moment::now();
        $digests = $this->in(fn (): array => Seals::ofCopy(fn (string $column): string => $this->carried($column, $now)));
        DB::statement('ATTACH DATABASE ? AS prepared', [$this->file]);
        try {
            $write = fn (): bool => $this->stillHolds() && $this->write($tables, $now, $more);
            $written = Seals::with($digests, static fn (): bool => DB::transaction($write));
            DB::statement('DETACH DATABASE prepared');
        } catch (Throwable $problem) {
            DB::purge(); // a transaction that could not be committed goes with its connection
            throw $problem;
        }

        return $written;
    }

    public function discard(): void
    {
        DB::purge(self::CONNECTION);
        Cache::forgetDriver(self::CONNECTION);
        self::delete($this->file);
    }

    /** @param  list<string>  $tables */
    private function write(array $tables, string $now, Closure $more): bool
    {
        DB::statement('PRAGMA defer_foreign_keys = ON');
        Changes::together(fn () => array_map(fn (string $table) => $this->carry($table, $now), $tables));
        $more();

        return true;
    }

    private function stillHolds(): bool
    {
        $theirs = array_flip(self::OF_OTHERS);

        return array_diff_key(Changes::all(), $theirs) === array_diff_key($this->counters, $theirs);
    }

    /** Rows that are new or changed take the place of the books' own; nothing is ever taken out. */
    private function carry(string $table, string $now): void
    {
        $columns = array_column(DB::select("SELECT name FROM pragma_table_info('{$table}')"), 'name');
        $values = implode(', ', array_map(fn (string $column): string => $this->carried($column, $now), $columns));
        $rows = self::isNumbered($table)
            ? "prepared.{$table} WHERE rowid IN (SELECT row FROM prepared.carried WHERE name = '{$table}') ORDER BY rowid"
            : "(SELECT * FROM prepared.{$table} EXCEPT SELECT * FROM main.{$table})";
        DB::insert("INSERT OR REPLACE INTO main.{$table} (\"".implode('", "', $columns)."\") SELECT {$values} FROM {$rows}");
    }

    /** What of a column is carried over, as SQL: what the copy recorded is recorded now. */
    private function carried(string $column, string $now): string
    {
        return in_array($column, ['recorded_at', 'superseded_at'], true)
            ? "CASE WHEN {$column} >= '{$this->since}' THEN '{$now}' ELSE {$column} END"
            : "\"{$column}\"";
    }

    /** Whether its rows have numbers by which they are found. */
    private static function isNumbered(string $table): bool
    {
        return DB::table('sqlite_master')->where('name', $table)->where('sql', 'like', '%WITHOUT ROWID%')->doesntExist();
    }

    /**
     * What is carried over, each table after those that it names: else every row of a table would be looked for in those that name it.
     * A voucher comes after its lines, which it closes.
     *
     * @return list<string>
     */
    private static function tables(): array
    {
        $names = DB::table('sqlite_master')
            ->where('type', 'table')
            ->where('name', 'not like', 'sqlite_%')
            ->whereNotIn('name', [...self::OF_OTHERS, ...self::OF_THE_BOOKS])
            ->pluck('name')
            ->all();
        $ordered = [];
        while ($names !== []) {
            $next = array_filter($names, static fn (string $name): bool => array_intersect(self::named($name), $names) === []);
            $next = $next === [] ? array_slice($names, 0, 1) : $next; // two that name each other
            array_push($ordered, ...$next);
            $names = array_diff($names, $next);
        }

        return $ordered;
    }

    /** @return list<string> the other tables that one names */
    private static function named(string $table): array
    {
        $named = array_column(DB::select("SELECT \"table\" AS name FROM pragma_foreign_key_list('{$table}')"), 'name');

        return array_values(array_diff(match ($table) {
            'postings' => array_diff($named, ['vouchers']),
            'vouchers' => [...$named, 'postings'],
            default => $named,
        }, [$table]));
    }

    /**
     * Notes in the copy which rows differ from the books, before anyone has to wait.
     *
     * @param list<string> $tables
     */
    private static function findWhatDiffers(array $tables, string $books): void
    {
        DB::statement('CREATE TABLE carried (name TEXT NOT NULL, row INTEGER NOT NULL, PRIMARY KEY (name, row)) WITHOUT ROWID');
        DB::statement('ATTACH DATABASE ? AS books', [$books]);
        foreach (array_filter($tables, self::isNumbered(...)) as $table) {
            DB::insert(
                "INSERT INTO carried SELECT '{$table}', row FROM (SELECT rowid AS row, * FROM main.{$table} EXCEPT ".
                    "SELECT rowid AS row, * FROM books.{$table})",
            );
        }
        DB::statement('DETACH DATABASE books');
    }

    /** Copies of processes that were killed: nobody holds them any more. */
    private static function deleteLeft(string $books): void
    {
        foreach (glob("{$books}.copy-*.owner") ?: [] as $file) {
            $owner = self::open($file);
            if (flock($owner, LOCK_EX | LOCK_NB)) {
                self::delete(substr($file, 0, -strlen('.owner')));
            }
            fclose($owner);
        }
    }

    private static function delete(string $copy): void
    {
        File::delete([$copy, "{$copy}.anchor", "{$copy}-wal", "{$copy}-shm", "{$copy}.owner"]);
    }

    /**
     * @return resource
     *
     * @throws Refusal when there is no room for it
     */
    private static function open(string $file): mixed
    {
        return @fopen($file, 'c') ?: throw new Refusal('No file can be made beside the books. Check that there is room.');
    }
}
