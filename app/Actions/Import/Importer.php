<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\RowFault;

/** Takes the rows of one kind of file into the books. Each row stands or falls by itself; the caller's transaction holds them together. */
abstract class Importer
{
    /** @var array<int, true> what this file has brought, by checksum */
    private array $brought = [];

    final public function __construct(
        protected readonly Books $books,
        protected readonly FileReport $report,
        protected readonly int $fileId,
    ) {
        $this->begin();
    }

    protected function begin(): void {}

    /**
     * @param array<string, string> $row fields in house format
     * @return ?Outcome null when the row is decided only at the end of the file
     *
     * @throws RowFault when the row cannot be taken in
     */
    abstract public function take(array $row, int $number): ?Outcome;

    /**
     * Takes the rows that had to wait for others, and compares the file with the books.
     *
     * @param callable(int, RowFault): void $refuse for a row that waited and fails
     */
    public function finish(callable $refuse): void {}

    /**
     * Whether rows of a name can stand already: in books that had none before the file, only those that it has brought itself.
     *
     * @param bool $had whether the books had any rows of the kind
     */
    protected function mayStand(string $name, bool $had): bool
    {
        $key = crc32($name);
        $may = $had || isset($this->brought[$key]);
        if (! $may) {
            $this->brought[$key] = true;
        }

        return $may;
    }

    protected function changed(string $name): Outcome
    {
        if (count($this->report->changedNames) < 20 && ! in_array($name, $this->report->changedNames, true)) {
            $this->report->changedNames[] = $name;
        }

        return Outcome::Changed;
    }

    protected function vanished(string $name): void
    {
        $this->report->vanished++;
        if (count($this->report->vanishedNames) < 20 && ! in_array($name, $this->report->vanishedNames, true)) {
            $this->report->vanishedNames[] = $name;
        }
    }
}
