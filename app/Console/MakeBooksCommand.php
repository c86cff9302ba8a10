<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Refusal;
use App\Support\Anchor;
use App\Support\Books;
use App\Support\Shelf;
use Illuminate\Console\Command;

final class MakeBooksCommand extends Command
{
    protected $signature = 'ajuste:books {--existing : only books that are there already}';

    protected $description = 'Makes empty books, or brings those of an earlier version up to date';

    public function handle(Books $books): int
    {
        $file = Books::file();
        try {
            if ($this->option('existing') !== true && ! is_file($file)) {
                $this->touch($file);
            }
            $this->bringUpToDate($books, $file);
            foreach (Shelf::all() as $other) {
                if ($other->file !== $file && is_file($other->file)) {
                    Books::with($other->file, fn () => $this->bringUpToDate($books, $other->file));
                }
            }
        } catch (Refusal $refusal) {
            fwrite(STDERR, $refusal->getMessage()."\n");

            return self::FAILURE;
        }
        $this->line("Books at {$file}.");

        return self::SUCCESS;
    }

    /** @throws Refusal when they are of a later version, or do not hold together */
    private function bringUpToDate(Books $books, string $file): void
    {
        $backup = $books->open();
        if ($backup !== null) {
            $said = "The books at {$file} were of an earlier version and are up to date now. As they were, they are kept at {$backup}.";
            fwrite(STDERR, "{$said}\n");
        }
    }

    /** @throws Refusal when the folder cannot be made */
    private function touch(string $file): void
    {
        if (! is_dir(dirname($file)) && ! @mkdir(dirname($file), 0770, true)) {
            throw new Refusal('The folder '.dirname($file).' cannot be made.');
        }
        touch($file);
        Anchor::forget();
    }
}
