<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

final class MakeBooksCommand extends Command
{
    protected $signature = 'ajuste:books';

    protected $description = 'Makes empty books, or brings the tables of existing ones up to date';

    public function handle(): int
    {
        $file = DB::connection()->getDatabaseName();
        if (! is_dir(dirname($file)) && ! mkdir(dirname($file), 0770, true)) {
            fwrite(STDERR, 'The folder '.dirname($file)." cannot be made.\n");

            return self::FAILURE;
        }
        if (! is_file($file)) {
            touch($file);
        }
        Artisan::call('migrate', ['--force' => true]);
        $this->line("Books at {$file}.");

        return self::SUCCESS;
    }
}
