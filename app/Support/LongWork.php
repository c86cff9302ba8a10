<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Refusal;
use App\Values\WorkKind;
use App\Values\WorkState;
use Illuminate\Database\Connection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Work that is carried out beside the pages, with its progress. It is kept in a file of its own beside the books, so that nobody waits for
 * it; the file may be deleted when nothing is under way.
 */
final class LongWork implements Progress
{
    public const CONNECTION = 'work';

    /** In seconds: so often progress is written down. */
    private const OFTEN = 0.25;

    private const TABLES = [
        'CREATE TABLE IF NOT EXISTS jobs (id INTEGER PRIMARY KEY, queue TEXT NOT NULL, payload TEXT NOT NULL, attempts INTEGER NOT NULL, '
            .'reserved_at INTEGER, available_at INTEGER NOT NULL, created_at INTEGER NOT NULL)',
        'CREATE TABLE IF NOT EXISTS work (id INTEGER PRIMARY KEY, key TEXT NOT NULL, kind TEXT NOT NULL, content TEXT NOT NULL, '
            .'who TEXT NOT NULL, source TEXT NOT NULL, state TEXT NOT NULL, done INTEGER NOT NULL DEFAULT 0, '
            .'total INTEGER NOT NULL DEFAULT 0, says TEXT NOT NULL DEFAULT \'\', result TEXT NOT NULL DEFAULT \'\', '
            .'begun_at TEXT NOT NULL, started_at TEXT)',
    ];

    private float $written = 0.0;

    private function __construct(private readonly stdClass $row, public readonly bool $isNew = false) {}

    /**
     * @param string $key names the work: while such work is under way, or done, no other begins
     * @param array<string, string> $content what it is about
     */
    public static function begin(WorkKind $kind, string $key, array $content, Actor $actor): self
    {
        return self::file()->transaction(static function () use ($kind, $key, $content, $actor): self {
            $same = self::file()->table('work')->where('key', $key)->whereIn('state', ['waiting', 'running', 'done'])->value('id');
            $id = is_numeric($same) ? (int) $same : self::file()->table('work')->insertGetId([
                'key' => $key,
                'kind' => $kind->value,
                'content' => json_encode($content, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'who' => $actor->who,
                'source' => $actor->source,
                'state' => WorkState::Waiting->value,
                'begun_at' => Moment::now(),
            ]);

            return self::find($id, ! is_numeric($same));
        });
    }

    /** @throws Refusal when there is no such work */
    public static function find(int $id, bool $isNew = false): self
    {
        $row = self::file()->table('work')->where('id', $id)->first()
            ?? throw new Refusal('There is no such work any more. Look at the list of imports or the outbox.');

        return new self($row, $isNew);
    }

    /** @return list<self> what waits or runs, the oldest first */
    public static function underWay(): array
    {
        $rows = self::file()->table('work')->whereIn('state', ['waiting', 'running'])->orderBy('id')->get();

        return array_values(array_map(static fn (stdClass $row): self => new self($row), $rows->all()));
    }

    /**
     * The work that was done last about this; null: none.
     *
     * @param array<string, string> $content
     */
    public static function lastDone(WorkKind $kind, array $content): ?self
    {
        $row = self::file()->table('work')->where([
            'kind' => $kind->value,
            'content' => json_encode($content, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'state' => WorkState::Done->value,
        ])->orderByDesc('id')->first();

        return $row === null ? null : new self($row);
    }

    /** What a worker held that was killed waits again. There is one worker at a time. */
    public static function release(): void
    {
        self::file()->table('jobs')->update(['reserved_at' => null]);
        self::file()->table('work')->where('state', 'running')->update(['state' => 'waiting']);
    }

    /** The file beside the books; made where there is none. */
    public static function file(): Connection
    {
        $file = DB::connection('books')->getDatabaseName().'.work';
        if (config('database.connections.work.database') !== $file) {
            config(['database.connections.work' => [
                'driver' => 'sqlite', 'database' => $file, 'prefix' => '', 'busy_timeout' => 5000, 'journal_mode' => 'WAL',
            ]]);
            DB::purge(self::CONNECTION);
        }
        if (! is_file($file)) {
            touch($file);
        }
        $connection = DB::connection(self::CONNECTION);
        foreach ($connection->table('sqlite_master')->where('name', 'work')->exists() ? [] : self::TABLES as $table) {
            $connection->statement($table);
        }

        return $connection;
    }

    public function id(): int
    {
        return (int) $this->row->id;
    }

    public function kind(): WorkKind
    {
        return WorkKind::from($this->row->kind);
    }

    public function state(): WorkState
    {
        return WorkState::from($this->row->state);
    }

    /** @return array<string, string> */
    public function content(): array
    {
        /** @var array<string, string> */
        return json_decode($this->row->content, true, flags: JSON_THROW_ON_ERROR);
    }

    public function actor(): Actor
    {
        return new Actor($this->row->who, $this->row->source);
    }

    public function done(): int
    {
        return (int) $this->row->done;
    }

    /** 0: not known. */
    public function total(): int
    {
        return (int) $this->row->total;
    }

    /** What came of it, or why it was refused. */
    public function says(): string
    {
        return $this->row->says;
    }

    /** Where what came of it is to be seen. */
    public function result(): string
    {
        return $this->row->result;
    }

    /** Seconds that are left at the pace so far; null: nobody can say yet. */
    public function secondsLeft(): ?int
    {
        if ($this->row->started_at === null || $this->done() === 0 || $this->total() < $this->done()) {
            return null;
        }
        $since = (float) strtotime(Moment::now()) - (float) strtotime($this->row->started_at);

        return (int) ceil($since / $this->done() * ($this->total() - $this->done()));
    }

    /** @return bool false: it is done or cancelled already */
    public function start(): bool
    {
        $started = ['state' => WorkState::Running->value, 'started_at' => Moment::now(), 'done' => 0, 'total' => 0];

        return $this->row()->whereIn('state', ['waiting', 'running'])->update($started) === 1;
    }

    public function at(int $done, int $total): void
    {
        if (microtime(true) - $this->written < self::OFTEN) {
            return;
        }
        $this->written = microtime(true);
        if ($this->row()->where('state', 'running')->update(['done' => $done, 'total' => max($total, $done)]) === 0) {
            throw new Cancelled('cancelled');
        }
    }

    public function end(WorkState $state, string $says, string $result = ''): void
    {
        $this->row()->update(['state' => $state->value, 'says' => $says, 'result' => $result]);
    }

    /** @return bool false: it has ended already */
    public function cancel(): bool
    {
        return $this->row()->whereIn('state', ['waiting', 'running'])->update(['state' => 'cancelled', 'says' => 'Cancelled.']) === 1;
    }

    private function row(): Builder
    {
        return self::file()->table('work')->where('id', $this->row->id);
    }
}
