<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Refusal;
use App\Support\Anchor;
use App\Support\Books;
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
            $backup = $books->open();
        } catch (Refusal $refusal) {
            fwrite(STDERR, $refusal->getMessage()."\n");

            return self::FAILURE;
        }
        if ($backup !== null) {
            fwrite(STDERR, "The books were of an earlier version and are up to date now. As they were, they are kept at {$backup}.\n");
        }
        $this->line("Books at {$file}.");

        return self::SUCCESS;
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
