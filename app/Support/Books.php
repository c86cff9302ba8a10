<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Refusal;
use App\Models\PeopleFile;
use Closure;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use stdClass;

/**
 * Opens the books that a command or page works on. Those of an earlier version are brought up to date, with a backup beside them first;
 * those of a later version are refused. All or nothing: a process that is killed meanwhile leaves them as they were.
 */
final readonly class Books
{
    public function __construct(private Migrator $migrator) {}

    public static function file(): string
    {
        return DB::connection()->getDatabaseName();
    }

    /**
     * Does something in other books than those at hand.
     *
     * @template T
     *
     * @param Closure(): T $do
     * @return T
     */
    public static function with(string $file, Closure $do): mixed
    {
        $before = self::file();
        $turn = static function (string $to): void {
            config(['database.connections.books.database' => $to, 'ajuste.files' => dirname($to).'/files']);
            DB::purge('books');
            app()->forgetScopedInstances();
        };
        $turn($file);
        try {
            return $do();
        } finally {
            $turn($before);
        }
    }

    /**
     * @return ?string the backup, where the books were of an earlier version
     *
     * @throws Refusal when there are none, or they are of a later version
     */
    public function open(): ?string
    {
        $this->refuseAbsentOrLater();

        return $this->pending() === [] ? null : $this->bringUpToDate();
    }

    /** @throws Refusal when there are none, or they are not of this version */
    public function refuseOther(): void
    {
        $this->refuseAbsentOrLater();
        if ($this->pending() !== []) {
            throw new Refusal(
                'These books are of an earlier version. Start “./ajuste serve” again: it makes a backup and brings them up to date.',
            );
        }
    }

    /** @return array<string, string> how tables, indexes and triggers should stand, by type and name */
    public function expectedSchema(): array
    {
        static $expected = null; // it is this version's, and stays what it is
        if ($expected !== null) {
            return $expected;
        }
        config(['database.connections.blank' => ['driver' => 'sqlite', 'database' => ':memory:', 'prefix' => '']]);

        return $expected = $this->migrator->usingConnection('blank', function (): array {
            $this->migrate();
            $schema = self::schema();
            DB::purge('blank');

            return $schema;
        });
    }

    /** @return array<string, string> how they stand in the books at hand, by type and name */
    public static function schema(): array
    {
        $rows = DB::select(
            "SELECT type || ' ' || name AS name, sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' ORDER BY "
                .'type, name',
        );

        return array_column($rows, 'sql', 'name');
    }

    private function bringUpToDate(): ?string
    {
        $backup = $this->done() === [] ? null : $this->backUp();
        PeopleFile::takeOver(self::peopleOfEarlierVersions());
        DB::statement('PRAGMA foreign_keys = OFF'); // no transaction can switch it, and tables are rebuilt in one
        try {
            DB::transaction(function (): void {
                $this->migrate();
                if (DB::select('PRAGMA foreign_key_check') !== []) {
                    throw new Refusal(
                        'These books do not hold together, so that they were left as they are. Run “verify” of the version that made '
                            .'them.',
                    );
                }
            });
        } finally {
            DB::statement('PRAGMA foreign_keys = ON');
        }

        return $backup;
    }

    /** @return list<array{email: string, name: string, password: string, second_factor: ?string, second_factor_step: int}> */
    private static function peopleOfEarlierVersions(): array
    {
        if (! Schema::hasColumn('users', 'password')) {
            return [];
        }
        $people = DB::table('users')->orderBy('id')->get()->map(static fn (stdClass $row): array => [
            'email' => $row->email,
            'name' => $row->name,
            'password' => $row->password,
            'second_factor' => $row->second_factor ?? null,
            'second_factor_step' => (int) ($row->second_factor_step ?? 0),
        ]);

        return array_values($people->all());
    }

    private function backUp(): string
    {
        $backup = self::file().'.before-'.gmdate('Ymd-His').'-'.bin2hex(random_bytes(3));
        DB::statement('VACUUM INTO ?', [$backup]);

        return $backup;
    }

    private function migrate(): void
    {
        if (! $this->migrator->repositoryExists()) {
            $this->migrator->getRepository()->createRepository();
        }
        $this->migrator->run([database_path('migrations')]);
    }

    private function refuseAbsentOrLater(): void
    {
        if (! is_file(self::file())) {
            throw new Refusal(
                'There are no books at '.self::file().'. Make some with “./ajuste books DIR”, or name others with AJUSTE_BOOKS.',
            );
        }
        $later = array_values(array_diff($this->done(), $this->known()));
        if ($later !== []) {
            throw new Refusal(
                "These books are of a later version of Ajuste ({$later[0]}). Open them with that version; nothing was changed.",
            );
        }
    }

    /** @return list<string> */
    private function pending(): array
    {
        return array_values(array_diff($this->known(), $this->done()));
    }

    /** @return list<string> */
    private function done(): array
    {
        return $this->migrator->repositoryExists() ? array_values($this->migrator->getRepository()->getRan()) : [];
    }

    /** @return list<string> */
    private function known(): array
    {
        return array_map(static fn (string $file): string => basename($file, '.php'), glob(database_path('migrations/*.php')) ?: []);
    }
}
