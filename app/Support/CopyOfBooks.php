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

    /** What other people may write meanwhile: nothing that is prepared is worked out from it. */
    private const OF_OTHERS = [
        'audit_records', 'notes', 'notes_struck', 'outbox', 'posting_keys', 'question_answers', 'questions', 'receipt_drafts', 'users',
    ];

    /** What the books say of themselves; it is written anew by the transaction that carries over. */
    private const OF_THE_BOOKS = ['changes', 'customer_changes', 'migrations', 'sealed_keys', 'seals'];

    /** What of others is carried over all the same: that a key was used, which stands beside what it posted. */
    private const KEYS = 'posting_keys';

    /** And that is written again, each record on the one before. */
    private const TRAIL = 'audit_records';

    /** Before the name of a table: the copy's own table of the rows of it that were written. */
    private const TOUCHED = 'touched_';

    /** The copy's own list of tables of which something was written or taken out that is not carried over. */
    private const BEYOND = 'written_beyond';

    private readonly string $file;

    /** @var resource held while the process lives that works on the copy */
    private readonly mixed $owner;

    private readonly string $since;

    /** @var array<string, int> where the counters stood */
    private readonly array $counters;

    /** @var array<string, non-empty-list<string>> the columns of the key, by table that may be carried over, in order */
    private array $keys = [];

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

    /** Whether a copy is the books at hand. */
    public static function isAtHand(): bool
    {
        return DB::getDefaultConnection() === self::CONNECTION;
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
     * Does the work in the copy, which notes each row that it writes.
     *
     * @template T
     *
     * @param Closure(): T $work
     * @return T
     */
    public function prepare(Closure $work): mixed
    {
        return $this->in(function () use ($work): mixed {
            $this->keys = self::keys();
            DB::transaction($this->noteWrites(...));

            return $work();
        });
    }

    /** Whether all that was prepared can be carried over: nothing was taken out, and nothing written that others may write meanwhile. */
    public function mayBeCarriedOver(): bool
    {
        return $this->in(static fn (): bool => DB::table(self::BEYOND)->doesntExist());
    }

    /**
     * Writes into the books what was prepared in the copy, and something more, in one transaction.
     *
     * @param Closure(): void $more
     * @return bool false: something that the copy was worked out from was changed meanwhile, and nothing was written
     */
    public function carryOver(Closure $more): bool
    {
        $now = Moment::now();
        $writes = $this->in(fn (): array => $this->writes($now));
        if ($writes === []) {
            $more();

            return true;
        }
        $carried = fn (string $column): string => $this->carried($column, $now);
        $digests = $this->in(fn (): array => Seals::ofCopy(array_keys($this->keys), $carried));
        DB::statement('ATTACH DATABASE ? AS prepared', [$this->file]);
        try {
            $write = fn (): bool => $this->stillHolds() && self::write($writes, $more);
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

    /** @param  list<string>  $writes as SQL */
    private static function write(array $writes, Closure $more): bool
    {
        DB::statement('PRAGMA defer_foreign_keys = ON');
        Changes::together(static fn () => array_map(DB::insert(...), $writes));
        $more();

        return true;
    }

    private function stillHolds(): bool
    {
        $theirs = array_flip(self::OF_OTHERS);

        return array_diff_key(Changes::all(), $theirs) === array_diff_key($this->counters, $theirs);
    }

    /**
     * Rows that are new or changed take the place of the books' own; nothing is ever taken out.
     *
     * @return list<string> as SQL, for each table of which rows were written
     */
    private function writes(string $now): array
    {
        $writes = [];
        foreach ($this->keys as $table => $key) {
            $touched = self::TOUCHED.$table;
            if (! DB::table($touched)->exists()) {
                continue;
            }
            $columns = array_column(DB::select("SELECT name FROM pragma_table_info('{$table}')"), 'name');
            $values = implode(', ', array_map(fn (string $column): string => $this->carried($column, $now), $columns));
            $of = implode(', ', $key);
            $writes[] = "INSERT OR REPLACE INTO main.{$table} (\"".implode('", "', $columns)."\") SELECT {$values} FROM prepared.{$table} "
                ."WHERE ({$of}) IN (SELECT * FROM prepared.{$touched}) ORDER BY {$of}";
        }

        return $writes;
    }

    /** What of a column is carried over, as SQL: what the copy recorded is recorded now. */
    private function carried(string $column, string $now): string
    {
        return in_array($column, ['recorded_at', 'superseded_at'], true)
            ? "CASE WHEN {$column} >= '{$this->since}' THEN '{$now}' ELSE {$column} END"
            : "\"{$column}\"";
    }

    private function noteWrites(): void
    {
        DB::unprepared('CREATE TABLE '.self::BEYOND.' (name TEXT PRIMARY KEY)');
        foreach ($this->keys as $table => $key) {
            $touched = self::TOUCHED.$table;
            $names = implode(', ', array_map(static fn (int $place): string => "k{$place}", array_keys($key)));
            $new = implode(', ', array_map(static fn (string $column): string => "NEW.{$column}", $key));
            DB::unprepared($key === ['rowid']
                ? "CREATE TABLE {$touched} ({$names} INTEGER PRIMARY KEY)"
                : "CREATE TABLE {$touched} ({$names}, PRIMARY KEY ({$names})) WITHOUT ROWID");
            self::noteEach($table, ['INSERT', 'UPDATE'], "{$touched} VALUES ({$new})");
            self::noteEach($table, ['DELETE'], self::BEYOND." VALUES ('{$table}')");
        }
        foreach (self::notCarried() as $table) {
            self::noteEach($table, ['INSERT', 'UPDATE', 'DELETE'], self::BEYOND." VALUES ('{$table}')");
        }
    }

    /** @param  list<string>  $writes */
    private static function noteEach(string $table, array $writes, string $note): void
    {
        foreach ($writes as $write) {
            DB::unprepared("CREATE TRIGGER note_{$write}_{$table} AFTER {$write} ON {$table}
                BEGIN INSERT INTO {$note} ON CONFLICT DO NOTHING; END");
        }
    }

    /** @return list<string> */
    private static function notCarried(): array
    {
        return array_values(array_diff(self::OF_OTHERS, [self::KEYS, self::TRAIL]));
    }

    /**
     * What is carried over, each table after those that it names: else every row of a table would be looked for in those that name it.
     * A voucher comes right after its lines, which it closes.
     *
     * @return array<string, non-empty-list<string>> the columns of its key, by table
     */
    private static function keys(): array
    {
        $names = DB::table('sqlite_master')
            ->where('type', 'table')
            ->where('name', 'not like', 'sqlite_%')
            ->whereNotIn('name', [...self::notCarried(), self::TRAIL, ...self::OF_THE_BOOKS])
            ->pluck('name')
            ->all();
        $keys = [];
        while ($names !== []) {
            $next = array_filter($names, static fn (string $name): bool => array_intersect(self::named($name), $names) === []);
            $next = $next === [] ? array_slice($names, 0, 1) : $next; // two that name each other
            $names = array_diff($names, $next);
            foreach ($next as $name) {
                $keys[$name] = self::key($name);
            }
        }

        return $keys;
    }

    /** @return non-empty-list<string> the columns by which a row of a table is found */
    private static function key(string $table): array
    {
        $columns = DB::table('sqlite_master')->where('name', $table)->where('sql', 'like', '%WITHOUT ROWID%')->exists()
            ? array_column(DB::select("SELECT name FROM pragma_table_info('{$table}') WHERE pk > 0 ORDER BY pk"), 'name')
            : [];

        return $columns === [] ? ['rowid'] : $columns;
    }

    /** @return list<string> the other tables that one names */
    private static function named(string $table): array
    {
        $named = array_column(DB::select("SELECT \"table\" AS name FROM pragma_foreign_key_list('{$table}')"), 'name');
        $named = match ($table) {
            'postings' => array_diff([...$named, ...self::named('vouchers')], ['vouchers']),
            'vouchers' => [...$named, 'postings'],
            default => $named,
        };

        return array_values(array_diff($named, [$table]));
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
