<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Refusal;
use App\Actions\MakeBackup;
use App\Support\Backup;

final class BackupCommand extends BooksCommand
{
    protected $signature = 'ajuste:backup {folder? : where it goes; the folder “backups” beside the books when none is named}
        {--keep= : how many backups stay in that folder, the latest}';

    protected $description = 'Writes the books, their source files and the outbox into one file, and reads it again';

    public function handle(MakeBackup $backup): int
    {
        $keep = $this->text('keep');
        if ($keep !== null && preg_match('/^[1-9]\d{0,3}$/D', $keep) !== 1) {
            throw new Refusal('--keep is how many backups stay: a number from 1 to 9999.');
        }
        $folder = $this->argument('folder');
        $file = $backup->in(is_string($folder) ? $folder : null);
        $this->line("Backup at {$file}.");
        if ($keep !== null) {
            $this->line(Backup::keep(dirname($file), (int) $keep).' older ones were deleted.');
        }

        return self::SUCCESS;
    }
}
