<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Refusal;

/** What an import would do, or did. */
final class ImportReport
{
    /** At most so many refused rows are kept for show; all are counted. */
    private const SHOWN = 5000;

    public ?int $importId = null;

    /** @var list<FileReport> */
    public array $files = [];

    /** @var list<RefusedRow> */
    public array $refused = [];

    public int $refusedCount = 0;

    /** Lines of the files that were read so far, and that there are; 0: not known. */
    public int $rowsRead = 0;

    public int $rowsExpected = 0;

    /** @var list<LateNewsRow> rows dated in a locked period, kept until a person decides */
    public array $late = [];

    /** Whether a file as a whole cannot be read; that cannot be set aside. */
    public bool $blocked = false;

    /** Own corrections that are no longer needed once it is in; only a rehearsal says so. */
    public int $needless = 0;

    public function refuse(FileReport $file, RefusedRow $row): void
    {
        $file->refused++;
        $this->refusedCount++;
        if (count($this->refused) < self::SHOWN) {
            $this->refused[] = $row;
        }
    }

    /** The same row of an earlier file is no news. */
    public function hear(FileReport $file, LateNewsRow $row): void
    {
        if ($row->isKnown() || in_array($row->digest, array_column($this->late, 'digest'), true)) {
            $file->same++;

            return;
        }
        $file->late++;
        $this->late[] = $row;
    }

    public function block(string $file, Refusal $why): void
    {
        $this->blocked = true;
        $this->refusedCount++;
        $this->refused[] = new RefusedRow($file, 0, 'file', '', $why->getMessage(), '');
    }

    /** Whether what was read may be written, as far as rows are refused or late; null: it is only rehearsed. */
    public function mayBeKept(?RefusedRows $rows): bool
    {
        return match ($rows) {
            RefusedRows::SetAside => $this->refusedCount === 0 || $this->canBeSetAside(),
            RefusedRows::RefuseLateToo => $this->refusedCount === 0 && $this->late === [],
            default => $this->refusedCount === 0,
        };
    }

    /** Every refused row can go on the list of Intake: no file is refused as a whole, and none of the rows would be lost. */
    public function canBeSetAside(): bool
    {
        return ! $this->blocked && $this->refusedCount === count($this->refused);
    }

    public function changesNothing(): bool
    {
        if ($this->refusedCount > 0 || $this->late !== []) {
            return false;
        }
        foreach ($this->files as $file) {
            if ($file->new + $file->changed + $file->confirms > 0) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'committed' => $this->importId !== null,
            'corrections_not_needed' => $this->needless,
            'files' => array_map(static fn (FileReport $file): array => $file->toArray(), $this->files),
            'late' => array_map(static fn (LateNewsRow $row): array => $row->toArray(), $this->late),
            'refused' => array_map(static fn (RefusedRow $row): array => [
                'file' => $row->file, 'row' => $row->row, 'column' => $row->field, 'value' => $row->value, 'expected' => $row->expected,
            ], $this->refused),
        ];
    }
}
