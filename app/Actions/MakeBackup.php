<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Support\AuditTrail;
use App\Support\Backup;
use App\Support\Books;

/** Writes a backup and says so in the trail. */
final readonly class MakeBackup
{
    public function __construct(private AuditTrail $audit) {}

    /**
     * @return string the file
     *
     * @throws Refusal when it cannot be written
     */
    public function in(?string $folder = null): string
    {
        $file = Backup::write($folder ?? dirname(Books::file()).'/backups');
        $this->audit->record(Backup::IN_TRAIL, basename($file));

        return $file;
    }
}
