<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\Backup;
use App\Support\Books;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

final class RestoreCommand extends BooksCommand
{
    protected $signature = 'ajuste:restore {file : a backup} {--replace : where there are books: they are moved aside}';

    protected $description = 'Puts a backup where the books are named';

    public function handle(): int
    {
        $this->line('Books at '.Books::file().'.');

        return self::SUCCESS;
    }

    /** What is there is moved aside before any books are opened. */
    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        return $this->guarded(function () use ($input, $output): int {
            $file = $input->getArgument('file');
            $aside = Backup::restore(is_string($file) ? $file : '', $input->getOption('replace') === true);
            Cache::flush(); // what was remembered of later days may not pass for what comes now
            if ($aside !== null) {
                $output->writeln("The books that were here are at {$aside}.");
            }

            return parent::execute($input, $output);
        });
    }
}
