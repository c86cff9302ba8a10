<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Refusal;
use App\Support\AuditTrail;
use App\Support\Backup;
use App\Support\Books;

final class BackupCommand extends BooksCommand
{
    protected $signature = 'ajuste:backup {folder? : where it goes; the folder “backups” beside the books when none is named}
        {--keep= : how many backups stay in that folder, the latest}';

    protected $description = 'Writes the books, their source files and the outbox into one file, and reads it again';

    public function handle(AuditTrail $audit): int
    {
        $keep = $this->text('keep');
        if ($keep !== null && preg_match('/^[1-9]\d{0,3}$/D', $keep) !== 1) {
            throw new Refusal('--keep is how many backups stay: a number from 1 to 9999.');
        }
        $folder = $this->argument('folder');
        $folder = is_string($folder) ? $folder : dirname(Books::file()).'/backups';
        $file = Backup::write($folder);
        $audit->record('backup', basename($file));
        $this->line("Backup at {$file}.");
        if ($keep !== null) {
            $this->line(Backup::keep($folder, (int) $keep).' older ones were let go.');
        }

        return self::SUCCESS;
    }
}
