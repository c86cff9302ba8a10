<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Refusal;
use App\Files\SourceFile;
use App\Files\Table;
use App\Support\KeptFiles;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A row that was refused, as it stands in the kept source file, with what each of its cells means. */
final readonly class RowSetAside
{
    /**
     * @param stdClass $row as the books keep it, with `name`, `kind` and `sha256` of its file
     * @param list<string> $headings of the file
     * @param list<string> $cells of the row
     * @param ?Mapping $mapping how the file is read; null: it is no table whose row can be corrected
     */
    private function __construct(public stdClass $row, public array $headings, public array $cells, public ?Mapping $mapping) {}

    /** @throws Refusal when it does not wait any more */
    public static function find(int $id): self
    {
        $row = DB::table('rows_set_aside as r')
            ->join('import_files as f', 'f.id', '=', 'r.import_file_id')
            ->where('r.id', $id)
            ->whereNotIn('r.id', DB::table('rows_closed')->select('row_id'))
            ->first(['r.*', 'f.name', 'f.kind', 'f.sha256', 'f.import_id'])
            ?? throw Refusal::done('This row does not wait any more: it was corrected or closed. Load the page Intake again.');
        $kind = FileKind::tryFrom($row->kind);
        if ($kind === null || $row->row < 1 || ! KeptFiles::isWhole($row->sha256)) {
            return new self($row, [], [], null);
        }
        $file = new SourceFile($row->name, KeptFiles::path($row->sha256), $kind);
        $mapping = FileMapping::of($file);
        $headings = $cells = [];
        foreach (Table::rows($file) as $number => $found) {
            if ($number === $mapping->headerRow) {
                $headings = $found;
            }
            if ($number === $row->row) {
                $cells = $found;
                break;
            }
        }

        return new self($row, $headings, $cells, $mapping);
    }

    /** @return array<int, array{string, string, string}> by column: what it means, its heading, and what stands there */
    public function fields(): array
    {
        $fields = [];
        foreach ($this->mapping->columns ?? [] as $name => $column) {
            $fields[$column] = [str_replace('_', ' ', $name), $this->headings[$column] ?? '', $this->cells[$column] ?? ''];
        }
        ksort($fields);

        return $fields;
    }
}
