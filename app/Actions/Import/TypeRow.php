<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Refusal;
use App\Files\SourceFile;
use App\Support\Actor;

/**
 * Rows of a list as a person types them: taken in as a file of those rows, so that they are checked as every file is, kept as what they
 * came from, and shown as changed when a later file says otherwise.
 */
final readonly class TypeRow
{
    public function __construct(private ImportFiles $import, private Actor $actor) {}

    /**
     * @param list<array<string, string>> $rows by field of the house format, all with the same
     * @return int the import
     *
     * @throws Refusal when a field is not what it has to be, or the books have it so already
     */
    public function post(string $key, FileKind $kind, array $rows): int
    {
        $fields = array_keys($rows[0] ?? throw new Refusal('Nothing was typed.'));
        $lines = [$fields, ...array_map(array_values(...), $rows)];
        $take = fn (SourceFile $file): ImportReport => $this->import->post(
            [$file], RefusedRows::RefuseAll, "typed by {$this->actor->who}", $key,
        );
        $report = SourceFile::ofLines("{$kind->value} typed.csv", $lines, $kind, null, $take);
        $fault = $report->refused[0] ?? $report->late[0] ?? null;
        if ($fault !== null) {
            $field = str_replace('_', ' ', $fault->field);
            throw new Refusal(ucfirst($field).($fault->value === '' ? '' : " “{$fault->value}”").": {$fault->expected}.");
        }

        return $report->importId ?? throw new Refusal('The books have it so already. Nothing was changed.');
    }
}
