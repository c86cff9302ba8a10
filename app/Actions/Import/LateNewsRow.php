<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\LateRow;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** A row of a file that would take effect in a locked period. */
final readonly class LateNewsRow
{
    public string $digest;

    public string $field;

    public string $value;

    public string $expected;

    /** @param  array<string, string>  $content by column, as it was read */
    public function __construct(
        private FileReport $file,
        private FileKind $kind,
        private int $number,
        private array $content,
        LateRow $fault,
    ) {
        $this->digest = hash('sha256', $kind->value.json_encode($content, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
        [$this->field, $this->value, $this->expected] = [$fault->field, $fault->value, $fault->expected];
    }

    /** Only what is posted can be late; a list that is dated in a locked period is refused. */
    public static function mayBe(FileKind $kind): bool
    {
        return in_array($kind, [FileKind::Items, FileKind::Ledger, FileKind::Matches], true);
    }

    /** Whether an earlier file brought the same row. */
    public function isKnown(): bool
    {
        return DB::table('late_rows')->where('digest', $this->digest)->exists();
    }

    /** @return array<string, int|string> as the books keep it */
    public function toRow(): array
    {
        $name = match ($this->kind) {
            FileKind::Ledger => $this->content['entry'] ?? '',
            FileKind::Matches => ($this->content['debit_document'] ?? '').' '.($this->content['credit_document'] ?? ''),
            default => $this->content['document'] ?? '',
        };

        return [
            'import_file_id' => $this->file->fileId,
            'row' => $this->number,
            'kind' => $this->kind->value,
            'content' => json_encode($this->content, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE),
            'digest' => $this->digest,
            'date' => $this->content['date'] ?? '',
            'name' => trim($name),
            'expected' => $this->expected,
            'recorded_at' => Moment::now(),
        ];
    }

    /** @return array<string, int|string> for the report */
    public function toArray(): array
    {
        return [
            'file' => $this->file->name,
            'row' => $this->number,
            'column' => $this->field,
            'value' => $this->value,
            'expected' => $this->expected,
        ];
    }
}
